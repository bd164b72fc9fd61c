<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\PercentileRank;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Reason;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;

/**
 * 2 counts 2.5, 4 counts 5.0 and 9 counts 2.5, reckoned by hand: n 10, sum 47.5, mean 4.75, Σ|x − x̄| 21.25, Σ(x − x̄)² 66.875,
 * and without half a count at either end 42 over 9.
 */
final class CountsInTenthsTest extends TestCase
{
    /** @return iterable<string, array{string, float, list<string>}> */
    public static function figures(): iterable
    {
        yield 'mean' => ['mean', 4.75, ['{47.5}/{10']];
        yield 'modes' => ['modes', 4.0, ['4: 5 times']];
        yield 'mean absolute deviation' => ['mean_absolute_deviation', 2.125, [' = 21.25', '{21.25}/{10} = 2.125']];
        yield 'trimmed mean' => ['trimmed_mean_5', 42 / 9, ['k = {10}/{20} = 0.5', '{42}/{9} = ']];
        yield 'variance' => ['variance', 6.6875, ['{66.875}/{10} = 6.6875']];
        yield 'standard deviation' => ['sd', sqrt(6.6875), ['√{6.6875} = ']];
        yield 'coefficient of variation' => ['cv', sqrt(6.6875) / 4.75, ['}/{4.75} = 0.544']];
        yield 'within one' => ['within_1', 0.5, ['5 of 10 values lie between: {5}/{10} = 0.5']];
        yield 'mean to median' => ['mean_to_median', 1.1875, ['{4.75}/{4} = 1.1875']];
    }

    /** @param list<string> $lines that its working has, among others */
    #[DataProvider('figures')]
    public function test_a_figure_and_its_working_are_those_of_the_counts(string $key, float $value, array $lines): void
    {
        $basis = new Basis(takenAs: SampleOrPopulation::Population);
        $statistic = Catalogue::chosen([$key])[0];
        $figure = $statistic->of(self::counted(), $basis)->value;
        self::assertEqualsWithDelta($value, is_array($figure) ? $figure[0] : $figure, 1e-14);
        $working = implode("\n", $statistic->steps(self::counted(), $basis)->lines);
        foreach ($lines as $line) {
            self::assertStringContainsString($line, $working);
        }
    }

    /** 2.5 lie below 4 and 5 on it: half of those count. */
    public function test_where_a_value_stands(): void
    {
        $at = static fn(string $value): PercentileRank => PercentileRank::of(BigDecimal::of($value), self::counted(), new Basis(takenAs: SampleOrPopulation::Population));
        self::assertSame([50.0, 25, 50, 25], [$at('4')->percentileRank->number(), $at('4')->below, $at('4')->equal, $at('4')->above]);
        self::assertSame([75.0, 75, 0, 25], [$at('8')->percentileRank->number(), $at('8')->below, $at('8')->equal, $at('8')->above]);
        self::assertEqualsWithDelta([-0.75 / sqrt(6.6875), 4.25 / sqrt(6.6875)], [$at('4')->z->number(), $at('9')->z->number()], 1e-15);
        self::assertSame([0.0, 100.0], [$at('1')->percentileRank->number(), $at('10')->percentileRank->number()]);
    }

    public function test_where_nothing_is_nothing_stands(): void
    {
        $none = PercentileRank::of(BigDecimal::one(), new Observations(Numbers::ofTexts([]), 2), new Basis());
        self::assertSame([Reason::NeedsOneValue, Reason::NeedsOneValue], [$none->percentileRank->reason, $none->z->reason]);
        $equal = PercentileRank::of(BigDecimal::one(), new Observations(Numbers::of('3', '3'), 0), new Basis());
        self::assertSame([Reason::AllValuesAreEqual, 0.0], [$equal->z->reason, $equal->percentileRank->number()]);
        self::assertSame(0.0, PercentileRank::z(BigRational::of(2), new Observations(Numbers::of('1', '3'), 0), new Basis())->number());
    }

    public function test_shares_within_deviations_say_what_a_normal_distribution_has(): void
    {
        foreach (['within_1' => '68.27 %', 'within_2' => '95.45 %', 'within_3' => '99.73 %'] as $key => $share) {
            self::assertStringEndsWith("of a normal distribution {$share}", Catalogue::chosen([$key])[0]->steps(self::counted(), new Basis())->definition);
        }
    }

    public function test_of_very_many_values_a_small_p_is_said_to_mean_little(): void
    {
        $said = static fn(int $n): bool => str_contains(implode(' ', Catalogue::chosen(['anderson_darling_p'])[0]->steps(new Observations(Numbers::ofTexts(array_map(strval(...), range(1, $n))), 0), new Basis())->lines), 'With so many values');
        self::assertSame([false, true], [$said(1999), $said(2000)]);
    }

    private static function counted(): Observations
    {
        return new Observations(ValueCounts::ofCountedIntegers([2 => 25, 4 => 50, 9 => 25], 0), 0, 1);
    }
}
