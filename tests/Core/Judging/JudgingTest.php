<?php

declare(strict_types=1);

namespace Tests\Core\Judging;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Judging\Dependence;
use RowTally\Core\Judging\FarOut;
use RowTally\Core\Judging\Inside;
use RowTally\Core\Judging\Shape;
use RowTally\Core\Judging\SpreadLimits;
use RowTally\Core\Judging\WithoutFar;
use RowTally\Core\Observations\Observations;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

final class JudgingTest extends TestCase
{
    public function test_what_lies_inside_the_fences(): void
    {
        $values = ['1', '2', '3', '4', '5', '6', '7', '40', '-30', '40'];
        $inside = Inside::of(self::of($values), new Basis());
        self::assertSame([7, '1', '7'], [$inside->n(), (string) $inside->values->at(1), (string) $inside->values->at(7)]);
        self::assertSame(4, $inside->mean()->toInt());
        $none = self::of(['1', '2', '3']);
        self::assertSame($none, Inside::of($none, new Basis()));
        self::assertSame(0, Inside::of(self::of([]), new Basis())->n());
        // Doubles, and counts that are not whole.
        self::assertSame(7, Inside::of(self::of(['1e-300', '2e-300', '3e-300', '4e-300', '5e-300', '6e-300', '7e-300', '1e300']), new Basis())->n());
        $counted = Inside::of(ReferenceCases::counted([1, 2, 3, 99], [1.5, 2.5, 1.5, 0.5]), new Basis());
        self::assertSame('11/2', (string) $counted->size()->simplified());
    }

    /** By hand: 1 … 7 have the mean 4 and the SD √(28/6); with 40 they have 8.5. */
    public function test_what_changes_without_the_far_ones(): void
    {
        $with = self::of(['1', '2', '3', '4', '5', '6', '7', '40']);
        $lines = array_column(WithoutFar::of($with, Inside::of($with, new Basis()), new Basis(), new FigureText(new Basis(), 0)), null, 'key');
        $texts = static fn(string $key): array => [$lines[$key]->with, $lines[$key]->without, $lines[$key]->difference];
        self::assertSame(['8', '7', '−1'], $texts('n'));
        self::assertSame(['8.5', '4.0', '−4.5'], $texts('mean'));
        self::assertSame(['39', '6', '−33'], $texts('range'));
        self::assertSame('2.2', $lines['sd']->without);
        $one = self::of(['5']);
        self::assertNull(array_column(WithoutFar::of($one, $one, new Basis(), new FigureText(new Basis(), 0)), null, 'key')['sd']->with);
    }

    /** By hand: of 1 … 9 the mean is 5 and the SD √7.5 = 2.739; within lie 3 … 7, then all. */
    public function test_one_two_three_standard_deviations(): void
    {
        $lines = SpreadLimits::of(self::of(array_map(strval(...), range(1, 9))), new Basis(), new FigureText(new Basis(), 0));
        self::assertSame([['2.3', '7.7', '5', '55.6', '6.1', '68.3'], ['−0.5', '10.5', '9', '100.0', '8.6', '95.4'], ['−3.2', '13.2', '9', '100.0', '9.0', '99.7']], array_map(static fn(SpreadLimits $line): array => [$line->low, $line->high, $line->count, $line->percent, $line->expectedCount, $line->expectedPercent], $lines));
        // Definition 6: the 16th percentile stands at 1.6, the 84th at 8.4.
        self::assertSame(['1.6', '8.4', null], [$lines[0]->lowPercentile, $lines[0]->highPercentile, $lines[2]->lowPercentile]);
        foreach ($lines as $line) {
            $limits = array_map(static fn(Statistic $limit): ?string => (new FigureText(new Basis(), 0))->of($limit, $limit->of(self::of(array_map(strval(...), range(1, 9))), new Basis())), Catalogue::chosen(["minus_{$line->k}sd", "plus_{$line->k}sd"]));
            self::assertSame([$line->low, $line->high], $limits, 'the same limits as figures');
        }
        self::assertSame([], SpreadLimits::of(self::of(['4']), new Basis(), new FigureText(new Basis(), 0)));
        self::assertSame([], SpreadLimits::of(self::of([]), new Basis(), new FigureText(new Basis(), 0)));
    }

    /** By hand: of nine zeros and a ten the mean is 1, the SD √10, and z of the ten 9/√10 = 2.846. */
    public function test_how_many_lie_two_and_three_standard_deviations_out(): void
    {
        $out = FarOut::of(self::of([...array_fill(0, 9, '0'), '10']), new Basis());
        self::assertNotNull($out);
        self::assertSame([1, 0], [$out->over2, $out->over3]);
        self::assertEqualsWithDelta(2.8460498941515414, $out->z(10.0), 1e-12);
        self::assertEqualsWithDelta([0.4550026389635841, 0.02699796063260207], [$out->expected2, $out->expected3], 1e-12);
        // On the line: mean 0, and two of eight at ±2 SD.
        $on = FarOut::of(self::of(['-2', '2', '0', '0', '0', '0', '0', '0']), new Basis(\RowTally\Core\Basis\SampleOrPopulation::Population));
        self::assertSame([2, 0], [$on?->over2, $on?->over3]);
        self::assertNull(FarOut::of(self::of(['3', '3']), new Basis()));
        self::assertNull(FarOut::of(self::of(['3']), new Basis()));
        self::assertNull(FarOut::of(self::of([]), new Basis()));
    }

    public function test_a_shape_in_one_place(): void
    {
        $shape = Shape::of(self::of(['1', '2', '3', '4', '5', '6', '7', '40']), new Basis(), new FigureText(new Basis(), 0));
        $figures = array_column($shape->figures, 'text', 'key');
        self::assertSame(['mean', 'median', 'mean_to_median', 'skewness', 'se_skewness', 'skewness_ratio', 'kurtosis', 'se_kurtosis', 'kurtosis_ratio'], array_keys($figures));
        // By hand: √(6·8·7/(6·9·11)) = 0.752; 8.5/4.5 = 1.889.
        self::assertSame(['8.5', '4.5', '1.889', '0.752'], [$figures['mean'], $figures['median'], $figures['mean_to_median'], $figures['se_skewness']]);
        self::assertSame(['Shapiro–Wilk W', 'Lilliefors D', 'Anderson–Darling A²'], array_column($shape->tests, 'label'));
        self::assertStringContainsString('very unusual for one', $shape->tests[0]['meaning']);
        // What has no figure says why, in the figures and in the tests.
        $two = Shape::of(self::of(['1', '2']), new Basis(), new FigureText(new Basis(), 0));
        self::assertSame([null, 'needs at least 3 values'], [array_column($two->figures, 'text', 'key')['skewness'], array_column($two->figures, 'why', 'key')['skewness']]);
        self::assertSame([null, null, 'needs at least 3 values'], [$two->tests[0]['statistic'], $two->tests[0]['p'], $two->tests[0]['meaning']]);
        self::assertSame(['all values are equal'], array_unique(array_column(Shape::of(self::of(['4', '4', '4', '4', '4', '4', '4', '4']), new Basis(), new FigureText(new Basis(), 0))->tests, 'meaning')));
        // Beyond what tables say, on either side.
        $even = Shape::of(self::of(array_map(strval(...), [-15, -10, -7, -5, -3, -2, -1, 0, 1, 2, 3, 5, 7, 10, 15])), new Basis(), new FigureText(new Basis(), 0))->tests[1];
        self::assertSame(['above 0.1', 'more than 10 of 100 samples from a normal distribution stray as far: nothing here speaks against one, which does not show that it is one'], [$even['p'], $even['meaning']]);
        $many = Shape::of(self::of([...array_map(strval(...), range(1, 900)), '9000000']), new Basis(), new FigureText(new Basis(), 0));
        self::assertStringContainsString('fewer than 1 of 10,000', $many->tests[2]['meaning']);
    }

    public function test_what_a_p_means_never_says_that_values_are_normal(): void
    {
        foreach ([
            '0' => 'fewer than 1 of 10,000 samples from a normal distribution stray as far: very unusual for one',
            '0.00012' => 'about 1 of 10,000 samples from a normal distribution stray as far: very unusual for one',
            '0.0099' => 'about 10 of 1,000 samples from a normal distribution stray as far: very unusual for one',
            '0.01' => 'about 10 of 1,000 samples from a normal distribution stray as far: unusual for one',
            '0.05' => 'about 5 of 100 samples from a normal distribution stray as far: nothing here speaks against one, which does not show that it is one',
            '0.9960' => 'about 996 of 1,000 samples from a normal distribution stray as far: nothing here speaks against one, which does not show that it is one',
        ] as $p => $words) {
            self::assertSame($words, Shape::meaning((float) $p));
        }
    }

    public function test_how_far_the_answers_span(): void
    {
        $with = self::of(['1', '2', '3', '4', '5', '6', '7', '40']);
        $inside = Inside::of($with, new Basis());
        $lines = array_column(Dependence::of($with, $inside, new Basis(), Catalogue::chosen(['n', 'mean', 'sd', 'q1', 'min', 'median']), new FigureText(new Basis(), 0)), null, 'key');
        self::assertSame('the far values', $lines['mean']->on);
        self::assertSame([4.0, 8.5], [$lines['mean']->low, $lines['mean']->high]);
        self::assertSame('sample or population, the far values', $lines['sd']->on);
        self::assertStringContainsString('the rule for quartiles', $lines['q1']->on);
        foreach (QuartileRule::cases() as $rule) {
            $answer = Catalogue::chosen(['q1'])[0]->of($with, new Basis(quartileRule: $rule))->number();
            self::assertTrue($lines['q1']->low <= $answer && $answer <= $lines['q1']->high, $rule->value);
        }
        self::assertSame(['', '1', '1'], [$lines['min']->on, $lines['min']->lowText, $lines['min']->highText]);
        self::assertSame([], Dependence::of(self::of([]), self::of([]), new Basis(), Catalogue::chosen(['mean']), new FigureText(new Basis(), 0)));
    }

    /** @param list<string> $texts */
    private static function of(array $texts): Observations
    {
        return new Observations(Numbers::ofTexts($texts), 0);
    }
}
