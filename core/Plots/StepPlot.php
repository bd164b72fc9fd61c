<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/**
 * The share of rows at or below each value, as steps: the empirical distribution function, overall and by group on one axis.
 *
 * Definition  F(x) = number of values ≤ x, by n; it rises at each value by its share and is level between two.
 * Unit        values in the unit of the variable, shares without one.
 * Undefined   a line without points for a group without values; no axis where there are none at all, or where their range leaves the doubles.
 * Source      van der Vaart, Asymptotic Statistics (1998), section 19.1.
 * Accuracy    exact, each share then correctly rounded; above `MOST` distinct values only so many ranks at equal distances have a step.
 * Cost        at most `MOST` look-ups by rank and value in each group.
 */
final readonly class StepPlot
{
    public const MOST = 500;

    /**
     * @param list<list<array{value: float, share: float}>> $lines of overall and each group, ascending: the share from a value on
     * @param list<float>                                   $n     what each line's shares are of
     */
    private function __construct(
        public ?Axis $axis,
        public array $lines,
        public array $n,
    ) {}

    /** @param non-empty-list<Observations> $columns overall, then each group */
    public static function of(array $columns): self
    {
        $overall = $columns[0];
        $n = array_map(static fn(Observations $column): float => Exact::toFloat($column->size()) ?? 0.0, $columns);
        if (!$overall->canBeDrawn()) {
            return new self(null, array_fill(0, count($columns), []), $n);
        }
        [$low, $high] = [$overall->values->at(1), $overall->values->at($overall->n())];
        $axis = $low->isEqualTo($high) ? Axis::covering($low->minus(1), $high->plus(1)) : Axis::covering($low, $high);

        return new self($axis, array_map(self::steps(...), $columns), $n);
    }

    /** @return list<array{value: float, share: float}> */
    private static function steps(Observations $column): array
    {
        $n = $column->n();
        if ($n === 0) {
            return [];
        }
        $values = $column->values;
        $at = $values->hasMoreDistinctThan(self::MOST)
            ? array_map(static fn(int $i): BigDecimal => $values->at(1 + (int) round($i * ($n - 1) / (self::MOST - 1))), range(0, self::MOST - 1))
            : array_column($values->lowest(self::MOST), 'value');
        $steps = [];
        foreach ($at as $value) {
            $step = ['value' => (float) (string) $value, 'share' => (float) $values->countUpTo($value->toBigRational()) / $n];
            if ($steps === [] || $steps[count($steps) - 1]['value'] < $step['value']) {
                $steps[] = $step;
            }
        }

        return $steps;
    }
}
