<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Figures\Figure;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Values\Observations;
use RowTally\Core\Values\PowerSums;

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
    /** Edges up to here add up in a machine integer. */
    private const FITS = 1 << 61;

    private function __construct(
        public string $key,
        public string $label,
        public Figure $fromRows,
        public Figure $fromClasses,
    ) {}

    /** @return list<self>|null of mean, standard deviation and median */
    public static function of(Observations $rows, Histogram $histogram, TakenAs $takenAs): ?array
    {
        if ($rows->n() === 0 || $histogram->below + $histogram->above > 0) {
            return null;
        }
        [$mean, $variance, $median] = self::fromClasses($histogram, $takenAs, $rows->divisor($takenAs), $rows->countDecimals);
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
     * As GroupedFigures has them; in machine integers where the edges fit: twice a midpoint is the sum of two edges, and all have as many decimals.
     *
     * @return array{BigRational|null, BigRational|null, BigRational|null} mean, variance and median
     */
    private static function fromClasses(Histogram $histogram, TakenAs $takenAs, BigRational $divisor, int $countDecimals): array
    {
        [$classes, $counts] = [$histogram->classes, $histogram->counts];
        $unit = BigInteger::ten()->power($countDecimals);
        $edges = array_map($classes->edge(...), range(0, $classes->number));
        $decimals = max(0, ...array_map(static fn(BigDecimal $edge): int => $edge->getScale(), $edges));
        $unscaled = array_map(static fn(BigDecimal $edge): BigInteger => $edge->toScale($decimals)->getUnscaledValue(), $edges);
        if ($unscaled[0]->abs()->isGreaterThan(self::FITS) || $unscaled[$classes->number]->abs()->isGreaterThan(self::FITS)) {
            $table = new GroupedFigures(ClassTable::between($classes, array_map(static fn(int $count): BigRational => BigRational::nd($count, $unit), $counts)));

            return [$table->mean(), $table->variance($takenAs), $table->quantile(BigRational::nd(1, 2))];
        }
        $whole = array_map(static fn(BigInteger $edge): int => $edge->toInt(), $unscaled);
        $sums = PowerSums::ofIntegers(array_map(static fn(int $i): int => $whole[$i] + $whole[$i + 1], array_keys($counts)), $counts, $decimals);
        // The median: half of the counts lie below it, on the straight line through its class.
        $upTo = $place = 0;
        while (2 * ($upTo + $counts[$place]) < $sums->n) {
            $upTo += $counts[$place++];
        }

        return [
            $sums->sum()->dividedBy(2 * $sums->n)->simplified(),
            $divisor->getSign() <= 0 ? null : $sums->squaredDeviations()->dividedBy($divisor->multipliedBy(4)->multipliedBy($unit))->simplified(),
            $edges[$place]->toBigRational()->plus($classes->widthOf($place)->toBigRational()->multipliedBy(BigRational::nd($sums->n - 2 * $upTo, 2 * $counts[$place])))->simplified(),
        ];
    }

    /** From the classes less from the rows. */
    public function difference(): float
    {
        return ($this->fromClasses->number() ?? 0.0) - ($this->fromRows->number() ?? 0.0);
    }
}
