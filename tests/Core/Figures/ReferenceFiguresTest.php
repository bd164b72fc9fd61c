<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Percentile;
use RowTally\Core\Figures\PercentileRank;
use RowTally\Core\Figures\ShareWithinDeviations;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use Tests\Core\Support\FigureAssertions;
use Tests\Core\Support\ReferenceCases;
use Tests\Core\Support\Tolerances;

/**
 * Every figure of the reference cases against the catalogue, which may have more. What has an exact ratio is held to more than the house standard:
 * the correctly rounded double itself, to the last bit. The rest is held to the tolerances of the case.
 */
final class ReferenceFiguresTest extends TestCase
{
    use FigureAssertions;

    /** Not an exact ratio, or not one value. */
    private const GATED = ['geometric_mean', 'harmonic_mean', 'skewness', 'kurtosis', 'ci_mean_low', 'ci_mean_high'];

    /** Under each of the two ways in which the data can be taken. */
    private const BY_TAKING = ['variance', 'sd', 'skewness', 'kurtosis'];
    /** Under each quartile rule. */
    private const BY_RULE = ['q1', 'q3', 'iqr', 'lower_fence', 'upper_fence', 'outliers_count'];
    /** Several values each: compared below, by tests of their own, or of the input. */
    private const ELSEWHERE = ['ci_mean' => true, 'quartiles' => true, 'percentiles' => true, 'z_scores' => true, 'within' => true, 'normality' => true, 'rows_left_out' => true];

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'valuesCases')]
    public function test_figures_of_raw_values(array $case): void
    {
        $values = ReferenceCases::values($case['input']['values']);
        $missing = count(array_keys($case['input']['values'], null, true));

        $this->compareAll(new Observations($values, $missing), $case, $case['expected'], $case['input']['values']);
    }

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'wholeCountsCases')]
    public function test_figures_under_whole_counts_are_those_of_the_expanded_rows(array $case): void
    {
        $values = ReferenceCases::expanded($case['input']['values'], $case['input']['counts']);

        $this->compareAll(new Observations($values, 0), $case, $case['expected'], null);
    }

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'groupedCases')]
    public function test_figures_of_groups(array $case): void
    {
        foreach ($case['expected']['groups'] as ['label' => $label, 'stats' => $stats]) {
            $values = array_values(array_filter($case['input']['values'], static fn(int $row): bool => $case['input']['groups'][$row] === $label, ARRAY_FILTER_USE_KEY));
            $missing = count(array_keys($values, null, true));

            $this->compareAll(new Observations(ReferenceCases::values($values), $missing), $case, $stats, $values);
        }
    }

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'fractionalCountsCases')]
    public function test_figures_under_counts_that_are_not_whole(array $case): void
    {
        $observations = ReferenceCases::counted($case['input']['values'], $case['input']['counts']);
        foreach (SampleOrPopulation::cases() as $takenAs) {
            $basis = new Basis($takenAs);
            foreach (['n', 'sum', 'sum_of_squares', 'mean', 'min', 'max', 'range', 'median', 'modes', 'modes_frequency', 'variance', 'sd', 'q1', 'q3', 'iqr'] as $key) {
                $wanted = match ($key) {
                    'variance', 'sd' => $case['expected'][$key][$takenAs->value],
                    'q1', 'q3', 'iqr' => $case['expected']['quartiles']['cumulative'][$key],
                    default => $case['expected'][$key],
                };
                self::assertEquals($wanted, self::figure($key, $observations, $basis)->value, $key);
            }
        }
        foreach ($case['expected']['percentiles']['cumulative'] as $percent => $wanted) {
            self::assertSame((float) $wanted, (new Percentile((string) $percent))->of($observations, new Basis())->value, "percentile {$percent}");
        }
    }

    /**
     * @param array<string, mixed>      $case
     * @param array<string, mixed>      $expected
     * @param list<int|float|null>|null $inOrder
     */
    private function compareAll(Observations $observations, array $case, array $expected, ?array $inOrder): void
    {
        $tolerances = new Tolerances($case['tolerances']);
        foreach (SampleOrPopulation::cases() as $takenAs) {
            foreach (QuartileRule::cases() as $rule) {
                $this->compareFigures($observations, new Basis($takenAs, $rule), $expected, $tolerances);
            }
        }
        if ($expected['n'] === 0) {
            return;
        }
        $this->compareIntervals($observations, $expected, $tolerances);
        $this->comparePercentiles($observations, $expected);
        $this->compareWithin($observations, $expected, $tolerances);
        $this->compareNormality($observations, $expected['normality'], $tolerances);
        $present = array_values(array_filter($inOrder ?? [], static fn(mixed $value): bool => $value !== null));
        foreach ($inOrder === null ? [] : $expected['z_scores'] ?? [] as $i => $wanted) {
            $z = PercentileRank::of(BigDecimal::of(is_int($present[$i]) ? $present[$i] : Exact::shortestText($present[$i])), $observations, new Basis())->z;
            self::assertTrue($tolerances->allow('z_scores', (float) $wanted, $z->number()), "z {$i}: {$wanted}, got " . json_encode($z->value));
        }
    }

    /** @param array<string, mixed> $expected */
    private function compareFigures(Observations $observations, Basis $basis, array $expected, Tolerances $tolerances): void
    {
        $quartiles = $expected['quartiles'][$basis->quartileRule->value] ?? array_fill_keys(self::BY_RULE, null);
        foreach ([...array_diff_key($expected, self::ELSEWHERE), ...array_intersect_key($quartiles, array_fill_keys(self::BY_RULE, true))] as $key => $stated) {
            // Where the README gives the sample's only, it is compared under that.
            if ($key === 'cv' && $basis->takenAs === SampleOrPopulation::Population) {
                continue;
            }
            $statistic = Catalogue::chosen([$key])[0];
            $figure = $statistic->of($observations, $basis);
            $wanted = in_array($key, self::BY_TAKING, true) ? $stated[$basis->takenAs->value] ?? null : $stated;
            $what = "{$key} as {$basis->takenAs->value} by {$basis->quartileRule->value}";
            if ($wanted === null || $wanted === []) {
                self::assertNull($figure->value, $what);
                self::assertNotNull($figure->reason, $what);
                continue;
            }
            self::assertNull($figure->reason, $what);
            if (is_array($wanted) || in_array($key, ['n', 'missing', 'modes_frequency', 'outliers_count'], true)) {
                self::assertEquals($wanted, $figure->value, $what);
            } elseif (in_array($key, self::GATED, true)) {
                self::assertTrue($tolerances->allow($key, (float) $wanted, $figure->number()), "{$what}: {$wanted}, got " . json_encode($figure->value));
            } else {
                self::assertWithinUlps((float) $wanted, $figure->value, 0, $what);
            }
            self::assertNotSame([], $statistic->steps($observations, $basis)->lines, $what);
        }
    }

    /** @param array<string, mixed> $expected */
    private function compareIntervals(Observations $observations, array $expected, Tolerances $tolerances): void
    {
        foreach ($expected['ci_mean'] ?? [] as $level => $wanted) {
            $basis = new Basis(level: (string) $level);
            foreach (['low', 'high'] as $end) {
                $figure = self::figure("ci_mean_{$end}", $observations, $basis);
                if ($wanted === null || $wanted[$end] === null) {
                    self::assertNull($figure->value);
                    continue;
                }
                self::assertTrue($tolerances->allow("ci_mean/{$level}/{$end}", (float) $wanted[$end], $figure->number()), "{$level} {$end}: {$wanted[$end]}, got " . json_encode($figure->value));
            }
        }
    }

    /** @param array<string, mixed> $expected */
    private function comparePercentiles(Observations $observations, array $expected): void
    {
        foreach ($expected['percentiles'] as $rule => $percentiles) {
            foreach ($percentiles as $percent => $wanted) {
                $figure = (new Percentile((string) $percent))->of($observations, new Basis(quartileRule: QuartileRule::from($rule)));
                self::assertWithinUlps((float) $wanted, $figure->value, 0, "percentile {$percent} by {$rule}");
            }
        }
    }

    /** @param array<string, mixed> $expected */
    private function compareWithin(Observations $observations, array $expected, Tolerances $tolerances): void
    {
        foreach ($expected['within'] ?? [] as $k => $wanted) {
            $within = new ShareWithinDeviations((int) $k);
            $bounds = $within->bounds($observations, new Basis());
            if ($wanted === null) {
                self::assertNull($bounds);
                continue;
            }
            self::assertNotNull($bounds);
            self::assertTrue($tolerances->allow("within/{$k}/low", (float) $wanted['low'], Exact::toFloat($bounds['low'])));
            self::assertTrue($tolerances->allow("within/{$k}/high", (float) $wanted['high'], Exact::toFloat($bounds['high'])));
            self::assertSame($wanted['count'], $bounds['count'], "within {$k}");
            self::assertTrue($tolerances->allow("within/{$k}/expected_share", $wanted['expected_share'], $within->expectedShare()));
        }
    }

    /** @param array<string, mixed>|null $expected */
    private function compareNormality(Observations $observations, ?array $expected, Tolerances $tolerances): void
    {
        foreach (['shapiro_wilk' => ['w', 'p'], 'lilliefors' => ['d', 'p'], 'anderson_darling' => ['a2', 'p']] as $test => $keys) {
            foreach ($keys as $key) {
                $figure = self::figure("{$test}_{$key}", $observations, new Basis());
                $wanted = $expected[$test][$key] ?? null;
                if ($wanted === null) {
                    self::assertNull($figure->value, "{$test} {$key}");
                    self::assertNotNull($figure->reason);
                    continue;
                }
                self::assertTrue($tolerances->allow("normality/{$test}/{$key}", (float) $wanted, $figure->number()), "{$test} {$key}: {$wanted}, got " . json_encode($figure->value) . (string) $figure->reason?->value);
            }
        }
    }

    private static function figure(string $key, Observations $observations, Basis $basis): Figure
    {
        return Catalogue::chosen([$key])[0]->of($observations, $basis);
    }
}
