<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigRational;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Values\Figure;

/**
 * What a figure loses when only the classes are told: from midpoints, or by straight lines, beside the same figure of the rows.
 *
 * Definition  that of GroupedFigures beside that of the rows; the edges are the boundaries.
 * Unit        the unit of the variable.
 * Undefined   null where a value lies outside all classes: then they do not tell the same rows.
 * Source      no convention involved.
 * Accuracy    exact; the standard deviations are rounded once.
 * Cost        O(classes).
 */
final readonly class ClassCost
{
    private function __construct(
        public string $key,
        public string $label,
        public Figure $fromRows,
        public Figure $fromClasses,
    ) {}

    /** @return list<self>|null of mean, standard deviation and median */
    public static function of(Observations $rows, Histogram $histogram, SampleOrPopulation $takenAs): ?array
    {
        if ($rows->n() === 0 || $histogram->below + $histogram->above > 0) {
            return null;
        }
        [$mean, $variance, $median] = self::fromWholeNumbers($rows, $histogram, $takenAs) ?? self::fromRatios($rows, $histogram, $takenAs);
        $exact = static fn(?BigRational $value): ?Figure => $value === null ? null : Figure::exact($value);
        $root = static fn(?BigRational $variance): ?Figure => $variance === null ? null : Figure::rootOf($variance);
        $lines = [];
        foreach ([
            ['mean', 'mean', $exact($rows->mean()), $exact($mean)],
            ['sd', 'standard deviation', $root($rows->variance($takenAs)), $root($variance)],
            ['median', 'median', $exact($rows->median()), $exact($median)],
        ] as [$key, $label, $fromRows, $fromClasses]) {
            if ($fromRows !== null && $fromClasses !== null) {
                $lines[] = new self($key, $label, $fromRows, $fromClasses);
            }
        }

        return $lines;
    }

    /**
     * Mean, variance and median told by the classes, by the definitions as they stand.
     *
     * @return list<BigRational|null>
     */
    private static function fromRatios(Observations $rows, Histogram $histogram, SampleOrPopulation $takenAs): array
    {
        $classes = new GroupedFigures(ClassTable::ofHistogram($histogram, $rows->countDecimals));

        return [$classes->mean(), $classes->variance($takenAs), $classes->quantile(BigRational::nd(1, 2))];
    }

    /**
     * The same in machine integers: midpoints are values that occur as often as their class. Other classes at each move of a hand
     * want this.
     *
     * @return list<BigRational|null>|null null where the edges do not fit
     */
    private static function fromWholeNumbers(Observations $rows, Histogram $histogram, SampleOrPopulation $takenAs): ?array
    {
        $edges = $histogram->classes->unscaledEdges();
        $middles = $histogram->midpoints();
        if ($edges === null || $middles === null) {
            return null;
        }
        [$unscaled, $decimals] = $edges;
        $median = null;
        $before = 0;
        foreach ($histogram->counts as $i => $count) {
            if ($count > 0 && $rows->n() <= 2 * ($before + $count)) {
                $median = BigRational::nd($rows->n() - 2 * $before, 2 * $count)->multipliedBy($unscaled[$i + 1] - $unscaled[$i])->plus($unscaled[$i])->dividedBy(10 ** $decimals)->simplified();
                break;
            }
            $before += $count;
        }
        $midpoints = new Observations($middles, 0, $rows->countDecimals);

        return [$midpoints->mean(), $midpoints->variance($takenAs), $median];
    }

    /** From the classes less from the rows. */
    public function difference(): float
    {
        return ($this->fromClasses->number() ?? 0.0) - ($this->fromRows->number() ?? 0.0);
    }
}
