<?php

declare(strict_types=1);

namespace Tests\Core\Observations;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Observations\Deviations;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\ValueCounts;

/** Moments about the mean beside the same in whole ratios, where plain sums would have lost them. */
final class DeviationsTest extends TestCase
{
    /** @return iterable<string, array{list<float>, list<int>}> values and how often each occurs, ascending */
    public static function doubles(): iterable
    {
        yield 'small ones' => [[0.25, 0.5, 1.75, 9.0], [1, 1, 1, 1]];
        yield 'with counts' => [[0.25, 0.5, 1.75, 9.0], [5, 1, 3, 2]];
        yield 'far from zero' => [[1e12 + 0.25, 1e12 + 0.5, 1e12 + 1.75, 1e12 + 9.0], [1, 2, 1, 1]];
        yield 'far below zero' => [[-1e15 - 8.5, -1e15 - 0.5, -1e15 + 1.5], [1, 4, 1]];
        yield 'of very different sizes' => [[-1e-8, 0.0, 1e-8, 1e8], [1, 1, 1, 1]];
        yield 'hardly any' => [[0.0, 5e-324, 1e-323], [1, 1, 3]];
        yield 'nearly too large' => [[-1e307, 0.0, 1.5e307], [1, 1, 1]];
    }

    /**
     * @param list<float> $values
     * @param list<int>   $counts
     */
    #[DataProvider('doubles')]
    public function test_moments_of_doubles_are_those_of_whole_ratios(array $values, array $counts): void
    {
        $observations = new Observations(ValueCounts::ofDoubles($values, $counts), 0);
        [$third, $fourth] = Deviations::of($observations)->higherMoments();
        self::assertEqualsWithDelta(self::expected(array_map(static fn(float $value): BigDecimal => self::decimalOf($value), $values), $counts), [$third, $fourth], 1e-9);
    }

    public function test_moments_of_decimals_are_those_of_whole_ratios(): void
    {
        foreach ([[[-35, 10, 17, 90], 1], [[1_000_000_000_001, 1_000_000_000_002, 1_000_000_000_009], 0], [[0, 1], 3]] as [$unscaled, $decimals]) {
            $counts = array_map(static fn(int $i): int => $i + 1, array_keys($unscaled));
            $observations = new Observations(ValueCounts::ofIntegers($unscaled, $counts, $decimals), 0);
            self::assertEqualsWithDelta(
                self::expected(array_map(static fn(int $value): BigDecimal => BigDecimal::ofUnscaledValue($value, $decimals), $unscaled), $counts),
                Deviations::of($observations)->higherMoments(),
                1e-12,
            );
        }
    }

    public function test_deviations_stand_with_their_counts_ascending(): void
    {
        $all = [[], []];
        foreach (Deviations::of(new Observations(ValueCounts::ofIntegers([10, 20, 60], [2, 1, 1], 1), 0))->slices() as [$deviations, $counts]) {
            $all = [[...$all[0], ...$deviations], [...$all[1], ...$counts]];
        }
        // The mean is 2.5; in tenths of the unit.
        self::assertSame([[-15.0, -5.0, 35.0], [2, 1, 1]], $all);
    }

    /**
     * @param list<BigDecimal> $values
     * @param list<int>        $counts
     *
     * @return array{float, float} Σ f·d³/n and Σ f·d⁴/n by the third and fourth power of σ
     */
    private static function expected(array $values, array $counts): array
    {
        $n = array_sum($counts);
        $sum = static function (int $power, BigRational $mean) use ($values, $counts): BigRational {
            $total = BigRational::zero();
            foreach ($values as $i => $value) {
                $total = $total->plus($value->toBigRational()->minus($mean)->power($power)->multipliedBy($counts[$i]));
            }

            return $total;
        };
        $mean = $sum(1, BigRational::zero())->dividedBy($n);
        $variance = $sum(2, $mean)->dividedBy($n);
        // Squares of both keep them ratios: m₃²/σ⁶ and m₄/σ⁴.
        $third = $sum(3, $mean)->dividedBy($n);
        $square = $third->multipliedBy($third)->dividedBy($variance->power(3));

        return [$third->getSign() * sqrt(self::double($square)), self::double($sum(4, $mean)->dividedBy($n)->dividedBy($variance->multipliedBy($variance)))];
    }

    private static function double(BigRational $ratio): float
    {
        return (float) (string) $ratio->toScale(40, RoundingMode::HALF_EVEN);
    }

    /** The decimal that a double is, to its last digit. */
    private static function decimalOf(float $value): BigDecimal
    {
        return BigDecimal::of(Exact::shortestText($value));
    }
}
