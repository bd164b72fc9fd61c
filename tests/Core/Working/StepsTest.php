<?php

declare(strict_types=1);

namespace Tests\Core\Working;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Figures\Working;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Working\Written;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

final class StepsTest extends TestCase
{
    /** Their last line says the result in words or in another unit. */
    private const IN_WORDS = ['n', 'modes', 'modes_frequency', 'shapiro_wilk_w', 'shapiro_wilk_p', 'lilliefors_d', 'lilliefors_p', 'anderson_darling_a2', 'anderson_darling_p', 'outliers_count'];

    /** @return iterable<string, array{Statistic, Basis}> */
    public static function statistics(): iterable
    {
        $said = array_filter(Catalogue::all(), static fn(Statistic $statistic): bool => !in_array($statistic->key(), self::IN_WORDS, true));
        foreach ([...$said, ...Catalogue::chosen(['percentile_5', 'percentile_37.5'])] as $statistic) {
            foreach ([new Basis(), new Basis(SampleOrPopulation::Population, QuartileRule::Hf8), new Basis(quartileRule: QuartileRule::HalvesIncluded)] as $i => $basis) {
                yield $statistic->key() . " {$i}" => [$statistic, $basis];
            }
        }
    }

    #[DataProvider('statistics')]
    public function test_what_the_last_line_comes_to_is_the_figure(Statistic $statistic, Basis $basis): void
    {
        foreach (ReferenceCases::valuesCases() as $id => [$case]) {
            $observations = new Observations(ReferenceCases::values($case['input']['values']), 0);
            $value = $statistic->of($observations, $basis)->number();
            if ($value === null) {
                continue;
            }
            $lines = $statistic->steps($observations, $basis)->lines;
            $parts = explode(' = ', $lines[count($lines) - 1]);
            $result = (float) str_replace(['−', '…'], ['-', ''], end($parts));

            self::assertEqualsWithDelta($value, $result, 4e-15 * abs($value), "{$id}: " . end($lines));
        }
    }

    public function test_the_figures_whose_last_line_is_in_words_have_their_value_in_a_line(): void
    {
        $observations = new Observations(Numbers::of('4', '7', '7', '9', '12', '13', '31'), 0);
        foreach (self::IN_WORDS as $key) {
            $statistic = Catalogue::chosen([$key])[0];
            $steps = $statistic->steps($observations, new Basis());
            $figure = $statistic->of($observations, new Basis());
            $number = $figure->number();
            self::assertNotSame([], $steps->lines, $key);
            self::assertNotSame('', $steps->definition, $key);
            if ($number !== null) {
                self::assertStringContainsString(rtrim(substr(Written::number($number), 0, 8), '…'), implode("\n", $steps->lines), $key);
            }
        }
    }

    public function test_a_test_of_normality_with_very_many_values_says_that_the_plot_says_more(): void
    {
        $few = Catalogue::chosen(['anderson_darling_p'])[0]->steps(new Observations(Numbers::ofTexts(array_map(strval(...), range(1, 50))), 0), new Basis());
        $many = Catalogue::chosen(['anderson_darling_p'])[0]->steps(new Observations(Numbers::ofTexts(array_map(strval(...), range(1, 6000))), 0), new Basis());

        self::assertStringNotContainsString('the plot says more', implode(' ', $few->lines));
        self::assertStringContainsString('the plot says more', implode(' ', $many->lines));
    }

    public function test_a_sum_is_written_out_while_it_is_short_and_with_its_ends_otherwise(): void
    {
        $plain = static fn(string $x): string => $x;

        self::assertSame('(−1) + 2·2 + 3.5', Written::sum(new Observations(Numbers::of('2', '3.5', '-1', '2.0'), 0), $plain));
        self::assertSame('1 + 2 + 3 + 4 + … + 29 + 30', Written::sum(new Observations(Numbers::ofTexts(array_map(strval(...), range(1, 30))), 0), $plain));
    }

    public function test_numbers_are_written_exactly_while_they_end(): void
    {
        $observations = new Observations(Numbers::of('1', '2', '2'), 0);

        self::assertSame('1.6666666666666667…', Written::number($observations->mean()));
        self::assertSame('0.125', Written::number(\Brick\Math\BigRational::nd(1, 8)));
        self::assertSame('−30', Written::number(-30.0));
    }

    public function test_other_conventions_are_told_only_where_they_make_a_difference(): void
    {
        $conventions = static function (string $key): array {
            $working = Working::of(Catalogue::chosen([$key])[0], new Observations(Numbers::of('1', '2', '4', '8', '16', '33'), 0), new Basis(), new FigureText(new Basis(), 0));

            return array_column($working->others, 'convention');
        };

        self::assertSame([], $conventions('mean'));
        self::assertSame(['Taken as'], $conventions('sd'));
        self::assertSame(['Quartiles by'], $conventions('q1'));
        self::assertSame(['Quartiles by', 'Fences at'], $conventions('upper_fence'));
        self::assertSame(['Confidence level'], $conventions('ci_mean_low'));
    }

    public function test_the_values_in_order_are_all_there_while_few_and_the_cuts_lie_where_the_rule_says(): void
    {
        $order = static fn(array $texts, string $key): ?array => Working::of(Catalogue::chosen([$key])[0], new Observations(Numbers::ofTexts($texts), 0), new Basis(), new FigureText(new Basis(), 0))->order;

        $few = $order(['4', '1', '2', '8', '16'], 'q3');
        self::assertSame(['1', '2', '4', '8', '16'], array_column($few['values'], 'text'));
        self::assertEquals([1.5, 3, 4.5], array_column($few['cuts'], 'rank'));

        $many = $order(array_map(strval(...), range(1, 1000)), 'median');
        self::assertSame([1, 2, 3, 249, 250], array_slice(array_column($many['values'], 'rank'), 0, 5));
        self::assertContains(500, array_column($many['values'], 'rank'));
        self::assertNull($order(['1', '2'], 'mean'));
    }

    public function test_the_plain_text_has_brackets_where_the_notation_has_braces(): void
    {
        $sd = Working::of(Catalogue::chosen(['sd'])[0], new Observations(Numbers::of('1', '2', '6'), 0), new Basis(), new FigureText(new Basis(), 0));

        self::assertStringContainsString('s = √((Σ(x − x̄)²) / (n − 1))', $sd->plainText('SD'));
        self::assertStringNotContainsString('{', $sd->plainText('SD'));
    }
}
