<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Distributions\Normal;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/**
 * What the height of a bar stands for.
 *
 * Definition  count f; percent 100·f/n of those present; density f/(n·width), so that areas add up to 1; cumulative 100·F/n up to the
 *             upper edge. Of unequal classes only densities can be compared, so counts and percents of theirs are drawn as densities.
 * Unit        rows, percent, or one over the unit of the variable.
 * Undefined   0 for a group without values.
 * When        counts for one group, percent for groups of unlike sizes, densities for unequal classes.
 * Misleads    Counts of unequal classes mislead: a wide class looks full because it is wide.
 * Source      no convention involved.
 * Accuracy    one rounding.
 * Cost        O(classes).
 */
enum HeightScale: string
{
    case Count = 'count';
    case Percent = 'percent';
    case Density = 'density';
    case Cumulative = 'cumulative';

    public function words(): string
    {
        return match ($this) {
            self::Count => 'counts',
            self::Percent => 'percent',
            self::Density => 'density',
            self::Cumulative => 'cumulative percent',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::Density => 'Areas add up to 1, so groups of any size compare.',
            self::Cumulative => 'The ogive.',
            default => '',
        };
    }

    public function over(Classes $classes): self
    {
        return $classes->areEqual() || $this === self::Cumulative ? $this : self::Density;
    }

    /** @return list<float> one for each class */
    public function heights(Histogram $histogram, Observations $observations): array
    {
        $n = $observations->n();
        $scale = $this->over($histogram->classes);
        $heights = [];
        $upTo = $histogram->below;
        foreach ($histogram->counts as $i => $count) {
            $upTo += $count;
            $heights[] = match (true) {
                $scale === self::Count => $count / 10 ** $observations->countDecimals,
                $n === 0 => 0.0,
                $scale === self::Percent => 100 * $count / $n,
                $scale === self::Cumulative => 100 * $upTo / $n,
                default => $count / $n / (float) (string) $histogram->classes->widthOf($i),
            } + 0.0;
        }

        return $heights;
    }

    /**
     * A normal curve of the same mean and standard deviation, that of the basis, as high as the bars would be if the values were normal.
     *
     * @return list<array{at: float, height: float}> none without a spread
     */
    public function normalCurve(Observations $observations, SampleOrPopulation $takenAs, Classes $classes, float $from, float $to, int $points = 121): array
    {
        $variance = $observations->n() === 0 ? null : $observations->variance($takenAs);
        $spread = $variance === null ? 0.0 : Exact::squareRoot($variance) ?? 0.0;
        if ($spread <= 0.0) {
            return [];
        }
        $mean = Exact::toFloat($observations->mean()) ?? 0.0;
        // The width by the spread first: their product with n may be beyond the doubles where the height is not.
        $inWidths = (float) (string) $classes->width / $spread;
        $peak = match ($this->over($classes)) {
            self::Count => (Exact::toFloat($observations->size()) ?? 0.0) * $inWidths,
            self::Percent => 100.0 * $inWidths,
            default => 1.0 / $spread,
        } / sqrt(2.0 * M_PI);
        $curve = [];
        for ($i = 0; $i < $points; ++$i) {
            $at = $from + ($to - $from) * ($i / ($points - 1));
            $z = ($at - $mean) / $spread;
            $curve[] = ['at' => $at, 'height' => $this === self::Cumulative ? 100.0 * Normal::below($z) : $peak * exp(-0.5 * $z * $z)];
        }

        return $curve;
    }
}
