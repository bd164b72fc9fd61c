<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Figures\Skewness;
use RowTally\Core\Figures\SkewnessRatio;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Values\Exact;

/**
 * Where mean and median lie to each other.
 *
 * Misleads    Mean and median can lie together in two heaps, or in a flat spread.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class Centre implements Rule
{
    public function key(): string
    {
        return 'centre';
    }

    public function rule(): string
    {
        return 'At least 3 values with a spread; mean and median less than 0.1 SD apart lie close; farther apart it speaks where the long tail lies on the same side.';
    }

    public function source(): string
    {
        return '|mean − median| ≤ SD always: Hotelling & Solomons, Annals of Mathematical Statistics 3 (1932) 141–142';
    }

    public function of(object $subject): ?Said
    {
        $observations = $subject->observations;
        $variance = $subject->hasAtLeast(3) ? $observations->variance($subject->basis()->takenAs) : null;
        if ($variance === null || $variance->getSign() === 0) {
            return null;
        }
        [$mean, $median] = [$observations->mean(), $observations->median()];
        $difference = $mean->minus($median);
        $figures = ['mean' => Exact::near($mean), 'median' => Exact::near($median), 'difference' => Exact::near($difference)];
        $wording = $subject->wording;
        if ($difference->multipliedBy($difference)->multipliedBy(100)->isLessThan($variance)) {
            $other = $wording->quantile($median, $observations->values) . $wording->unitBehind();

            return new Said("The mean, {$wording->inUnit($mean)}, and the median, {$other}, lie close together.", $figures, 20);
        }
        $tail = ShapeLimits::exceeded($subject, new Skewness(), new SkewnessRatio(), 2.0);
        if ($tail === null || ($tail['figure'] > 0.0) !== ($difference->getSign() > 0)) {
            return null;
        }
        [$written, $apart] = $wording->apart($median, $mean);
        $unit = $wording->unitBehind();
        [$side, $pull] = $difference->getSign() > 0 ? ['above', 'up'] : ['below', 'down'];

        return new Said("The mean, {$written}{$unit}, lies {$apart}{$unit} {$side} the median: the long tail pulls it {$pull}.", $figures, 45);
    }
}
