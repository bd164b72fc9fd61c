<?php

declare(strict_types=1);

namespace Tests\Core\Comparison;

use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Comparison\ComparedPairs;
use RowTally\Core\Comparison\Interval;
use RowTally\Core\Comparison\Measure;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use Tests\Core\Support\ReferenceCases;
use Tests\Core\Support\Tolerances;

/** Every number of the exact cases, under every convention that they have. */
final class ReferenceTest extends TestCase
{
    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'comparedGroupsCases')]
    public function test_two_groups(array $case): void
    {
        [$first, $second] = array_map(static fn(array $side): Observations => new Observations(ReferenceCases::values($side), 0), [$case['input']['first'], $case['input']['second']]);
        $of = static fn(Basis $basis): ComparedGroups => new ComparedGroups($first, $second, $basis);
        $plain = $of(new Basis());
        $got = [
            'n' => array_map(self::value(...), $plain->sizes()),
            'hedges_g' => self::value($plain->hedgesG()),
            'superiority' => self::value($plain->superiority()),
        ];
        foreach ([Measure::Mean, Measure::Median, Measure::Range] as $measure) {
            $got[$measure->value] = array_map(self::value(...), $plain->pair($measure));
            $got['difference'][$measure->value] = self::value($plain->difference($measure));
            $got['ratio'][$measure->value] = self::value($plain->ratio($measure));
        }
        foreach ([Measure::Mean, Measure::Median] as $measure) {
            $got['percent'][$measure->value] = self::value($plain->percent($measure));
        }
        foreach (SampleOrPopulation::cases() as $takenAs) {
            $compared = $of(new Basis($takenAs));
            $got['difference']['sd'][$takenAs->value] = self::value($compared->difference(Measure::Sd));
            $got['ratio']['sd'][$takenAs->value] = self::value($compared->ratio(Measure::Sd));
        }
        foreach (QuartileRule::cases() as $rule) {
            $compared = $of(new Basis(quartileRule: $rule));
            foreach ([Measure::Q1, Measure::Q3, Measure::Iqr] as $measure) {
                $got['difference'][$measure->value][$rule->value] = self::value($compared->difference($measure));
            }
            $got['ratio']['iqr'][$rule->value] = self::value($compared->ratio(Measure::Iqr));
            foreach (range(1, 9) as $tenth) {
                $got['deciles'][$rule->value][10 * $tenth] = self::value($compared->atTenth($tenth));
            }
        }
        foreach (['0.90', '0.95', '0.99'] as $level) {
            $got['interval'][$level] = self::interval($of(new Basis(level: $level))->interval());
        }
        self::assertCase($case, $got);
    }

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'comparedPairsCases')]
    public function test_pairs(array $case): void
    {
        ['first' => $first, 'second' => $second] = $case['input'];
        $both = array_keys(array_filter($first, static fn(int|float|null $value, int $i): bool => $value !== null && $second[$i] !== null, ARRAY_FILTER_USE_BOTH));
        $of = static fn(array $numbers): Observations => new Observations(ReferenceCases::values($numbers), 0);
        $sides = array_map(static fn(array $side): array => array_map(static fn(int $i): int|float => $side[$i], $both), [$first, $second]);
        $changes = array_map(static fn(int|float $a, int|float $b): float => round($b - $a, 6), ...$sides);
        $pairs = static fn(Basis $basis): ComparedPairs => new ComparedPairs($of($sides[0]), $of($sides[1]), $of($changes), count($first), $basis);
        $plain = $pairs(new Basis());
        $got = [
            'rows' => self::value($plain->rowCount()), 'n' => self::value($plain->size()), 'left_out' => self::value($plain->leftOut()),
            'mean_first' => self::value($plain->means()[0]), 'mean_second' => self::value($plain->means()[1]),
            'rose' => $plain->rose(), 'fell' => $plain->fell(), 'stayed' => $plain->stayed(),
            'standardised_change' => self::value($plain->standardisedChange()), 'correlation' => self::value($plain->correlation()),
        ];
        foreach (Catalogue::chosen(['mean', 'median', 'min', 'max']) as $statistic) {
            $got[$statistic->key()] = self::value($plain->ofChanges($statistic));
        }
        foreach (SampleOrPopulation::cases() as $takenAs) {
            $got['sd'][$takenAs->value] = self::value($pairs(new Basis($takenAs))->ofChanges(Measure::Sd->statistic()));
        }
        foreach (QuartileRule::cases() as $rule) {
            $quartiles = $plain->changes->quartiles($rule);
            $got['quartiles'][$rule->value] = array_map(static fn(string $which): mixed => self::value(Figure::exact($quartiles->{$which})), ['q1' => 'q1', 'q2' => 'q2', 'q3' => 'q3']);
        }
        foreach (['0.90', '0.95', '0.99'] as $level) {
            $got['interval'][$level] = array_diff_key(self::interval($pairs(new Basis(level: $level))->interval()), ['df' => 0, 'se' => 0]);
        }
        self::assertCase($case, $got);
    }

    /**
     * @param array<string, mixed> $case
     * @param array<string, mixed> $got
     */
    private static function assertCase(array $case, array $got): void
    {
        $tolerances = new Tolerances($case['tolerances']);
        $compare = static function (mixed $expected, mixed $value, string $path) use (&$compare, $tolerances): void {
            if (is_array($expected)) {
                foreach ($expected as $key => $part) {
                    self::assertIsArray($value, $path);
                    self::assertArrayHasKey($key, $value, $path);
                    $compare($part, $value[$key], ltrim("{$path}/{$key}", '/'));
                }
            } elseif ($expected === null) {
                self::assertNull($value, $path);
            } else {
                self::assertTrue($tolerances->allow($path, $expected, $value), "{$path}: expected {$expected}, got " . json_encode($value));
            }
        };
        $compare($case['expected'], $got, '');
    }

    /** @return array<string, int|float|null> */
    private static function interval(Interval $interval): array
    {
        return ['low' => self::value($interval->low), 'high' => self::value($interval->high), 'df' => $interval->degrees, 'se' => self::value($interval->standardError)];
    }

    private static function value(Figure $figure): int|float|null
    {
        self::assertNotSame($figure->value === null, $figure->reason === null);

        return $figure->number();
    }
}
