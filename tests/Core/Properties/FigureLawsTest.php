<?php

declare(strict_types=1);

namespace Tests\Core\Properties;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Figures\Variance;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Reason;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\FigureAssertions;
use Tests\Core\Support\Numbers;

/** Laws that every figure of the catalogue obeys, on data made from a seed. */
final class FigureLawsTest extends TestCase
{
    use FigureAssertions;
    use TestTrait;

    private const SCALE_WITH_UNIT = ['mean', 'ci_mean_low', 'ci_mean_high', 'se_mean', 'trimmed_mean_5', 'geometric_mean', 'harmonic_mean', 'sd', 'mean_absolute_deviation', 'mad', 'min', 'q1', 'median', 'q3', 'max', 'range', 'iqr', 'lower_fence', 'upper_fence', 'sum'];
    private const PURE = ['n', 'missing', 'cv', 'skewness', 'kurtosis', 'skewness_ratio', 'kurtosis_ratio', 'se_skewness', 'within_1', 'within_2', 'shapiro_wilk_w', 'lilliefors_d', 'anderson_darling_a2', 'mean_to_median', 'outliers_count'];
    private const UNMOVED = ['sd', 'variance', 'range', 'iqr', 'mad', 'mean_absolute_deviation', 'se_mean', 'skewness', 'kurtosis', 'within_1', 'within_3', 'shapiro_wilk_w', 'lilliefors_d', 'anderson_darling_a2', 'outliers_count', 'modes_frequency'];
    private const MOVED = ['mean', 'ci_mean_low', 'ci_mean_high', 'trimmed_mean_5', 'min', 'q1', 'median', 'q3', 'max', 'lower_fence', 'upper_fence'];

    public function test_another_unit_scales_what_has_one_and_leaves_the_rest(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30))->then(static function (int $seed): void {
            $values = self::values($seed, 60, 1, 5000);
            $before = self::figures(ValueCounts::ofUnorderedIntegers($values, 2));
            $after = self::figures(ValueCounts::ofUnorderedIntegers(array_map(static fn(int $value): int => 8 * $value, $values), 2));
            foreach (self::SCALE_WITH_UNIT as $key) {
                self::near(8 * $before[$key], $after[$key], $key);
            }
            foreach (self::PURE as $key) {
                self::near($before[$key], $after[$key], $key);
            }
            self::near(64 * $before['variance'], $after['variance'], 'variance');
        });
    }

    public function test_a_shift_moves_places_and_leaves_spread_and_shape(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30), Generators::choose(-1_000_000, 1_000_000))->then(static function (int $seed, int $shift): void {
            $values = self::values($seed, 60, -5000, 5000);
            $before = self::figures(ValueCounts::ofUnorderedIntegers($values, 2));
            $after = self::figures(ValueCounts::ofUnorderedIntegers(array_map(static fn(int $value): int => $value + $shift, $values), 2));
            foreach (self::UNMOVED as $key) {
                self::near($before[$key], $after[$key], $key);
            }
            foreach (self::MOVED as $key) {
                self::assertEqualsWithDelta($before[$key] + $shift / 100, $after[$key], 1e-9, $key);
            }
        });
    }

    public function test_the_same_row_twice_is_a_count_of_two(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30))->then(static function (int $seed): void {
            $values = self::values($seed, 40, -30, 30);
            $distinct = array_values(array_unique($values));
            sort($distinct);
            $counts = array_map(static fn(int $value): int => count(array_keys($values, $value, true)), $distinct);

            self::assertSame(self::figures(ValueCounts::ofUnorderedIntegers([...$values, ...$values], 1)), self::figures(ValueCounts::ofIntegers($distinct, array_map(static fn(int $count): int => 2 * $count, $counts), 1)));
        });
    }

    public function test_counts_in_another_unit_change_only_what_hangs_on_the_count(): void
    {
        $hangsOnCount = ['n', 'missing', 'sum', 'sum_of_squares', 'modes_frequency', 'outliers_count', 'se_skewness', 'se_kurtosis'];
        $this->forAll(Generators::choose(1, 1 << 30))->then(static function (int $seed) use ($hangsOnCount): void {
            $values = ValueCounts::ofUnorderedIntegers(self::values($seed, 40, 1, 30), 1);
            $whole = self::observed(new Observations($values, 0), new Basis(SampleOrPopulation::Population, QuartileRule::Hf2));
            $tenths = self::observed(new Observations($values, 0, 1), new Basis(SampleOrPopulation::Population, QuartileRule::Hf2));
            foreach ($whole as $key => $value) {
                if ($tenths[$key] === null || str_starts_with($key, 'ci_mean') || str_starts_with($key, 'se_') || str_ends_with($key, '_ratio')) {
                    continue;
                }
                self::near(in_array($key, $hangsOnCount, true) ? $value / 10 : $value, $tenths[$key], $key);
            }
        });
    }

    public function test_parts_that_are_merged_have_the_sums_of_the_whole(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30), Generators::choose(1, 59))->then(static function (int $seed, int $cut): void {
            $values = self::values($seed, 60, -9_000_000_000, 9_000_000_000);
            $parts = array_map(static fn(array $part): ValueCounts => ValueCounts::ofUnorderedIntegers($part, 3), [array_slice($values, 0, $cut), array_slice($values, $cut)]);
            $whole = ValueCounts::ofUnorderedIntegers($values, 3);
            $merged = $parts[0]->powerSums()->plus($parts[1]->powerSums());

            self::assertTrue($merged->squaredDeviations()->isEqualTo($whole->powerSums()->squaredDeviations()));
            self::assertTrue($merged->sum()->isEqualTo($whole->powerSums()->sum()));
        });
    }

    public function test_sums_between_ranks_add_up(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30), Generators::choose(0, 50))->then(static function (int $seed, int $cut): void {
            foreach ([ValueCounts::ofUnorderedIntegers(self::values($seed, 50, -20, 20), 1), ValueCounts::ofUnorderedDoubles(array_map(static fn(int $value): float => $value * 1e200, self::values($seed, 50, -20, 20)))] as $values) {
                self::assertTrue($values->sumBetween(1, $cut)->plus($values->sumBetween($cut + 1, 50))->isEqualTo($values->powerSums()->sum()));
            }
        });
    }

    public function test_doubles_and_decimals_of_the_same_data_agree(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30))->then(static function (int $seed): void {
            $values = self::values($seed, 50, 1, 4000);
            $decimals = self::figures(ValueCounts::ofUnorderedIntegers($values, 2));
            $doubles = self::figures(ValueCounts::ofUnorderedDoubles(array_map(static fn(int $value): float => $value / 100, $values)));
            foreach ($decimals as $key => $value) {
                self::near($value, $doubles[$key], $key);
            }
        });
    }

    public function test_values_at_the_ends_of_the_doubles_leave_every_figure_finite_or_undefined_with_its_reason(): void
    {
        foreach (['e300', 'e-300'] as $size) {
            $observations = new Observations(Numbers::of("1.5{$size}", "-2{$size}", "3{$size}", "9{$size}", "4.25{$size}"), 0);
            foreach (Catalogue::all() as $statistic) {
                $figure = $statistic->of($observations, new Basis());
                self::assertTrue($figure->reason !== null || is_array($figure->value) || is_finite((float) $figure->value), $statistic->key() . $size);
            }
            self::assertUndefined(Reason::OutOfRange, (new Variance())->of($observations, new Basis()));
            // Of 1.5, −2, 3, 9, 4.25 themselves, by the other paths.
            $plain = self::figures(Numbers::of('1.5', '-2', '3', '9', '4.25'));
            $far = self::figures($observations->values);
            foreach (['skewness', 'kurtosis', 'cv', 'shapiro_wilk_w', 'anderson_darling_a2', 'within_1'] as $key) {
                self::near($plain[$key], $far[$key], $key . $size);
            }
            self::assertEqualsWithDelta($plain['sd'], $far['sd'] / (float) "1{$size}", 1e-12);
        }
    }

    /** @return list<int> */
    private static function values(int $seed, int $number, int $low, int $high): array
    {
        mt_srand($seed);

        return array_map(static fn(): int => mt_rand() % ($high - $low + 1) + $low, range(1, $number));
    }

    /** @return array<string, int|float|null> */
    private static function figures(ValueCounts $values): array
    {
        return self::observed(new Observations($values, 0), new Basis());
    }

    /** @return array<string, int|float|null> */
    private static function observed(Observations $observations, Basis $basis): array
    {
        $numbers = array_filter(Catalogue::all(), static fn(Statistic $statistic): bool => $statistic->key() !== 'modes');

        return array_combine(
            array_map(static fn(Statistic $statistic): string => $statistic->key(), $numbers),
            array_map(static fn(Statistic $statistic): int|float|null => $statistic->of($observations, $basis)->number(), $numbers),
        );
    }

    private static function near(int|float|null $expected, int|float|null $got, string $what): void
    {
        self::assertSame($expected === null, $got === null, $what);
        if ($expected !== null) {
            self::assertEqualsWithDelta($expected, $got, 1e-10 * abs($expected) + 1e-11, $what);
        }
    }
}
