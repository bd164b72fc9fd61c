<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Figures\Kurtosis;
use RowTally\Core\Figures\KurtosisRatio;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;

/**
 * More, or fewer, values far out than a normal distribution has.
 *
 * Misleads    It speaks of tails and never of peaks; a single far row can make it.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class FarValues implements Rule
{
    public function key(): string
    {
        return 'far_values';
    }

    public function rule(): string
    {
        return 'Excess kurtosis over its standard error beyond 1.96 for 20 to 49 values, beyond 3.29 for 50 to 300; above 300 values excess kurtosis above 7. It speaks of tails, never of peaks.';
    }

    public function source(): string
    {
        return 'Kim, Restorative Dentistry & Endodontics 38 (2013) 52–54; Westfall, The American Statistician 68 (2014) 191–195';
    }

    public function of(object $subject): ?Said
    {
        $shape = ShapeLimits::exceeded($subject, new Kurtosis(), new KurtosisRatio(), 7.0);
        if ($shape === null || ($shape['isLarge'] && $shape['figure'] < 0.0)) {
            return null;
        }
        $than = $shape['figure'] > 0.0 ? 'More' : 'Fewer';
        $behind = $shape['isLarge'] ? '' : ', ' . Wording::ratio(abs($shape['ratio']), 1) . ' times its standard error';

        return new Said(
            "{$than} values lie far out than in a normal distribution (excess kurtosis G₂ " . Wording::ratio($shape['figure']) . "{$behind}).",
            ['kurtosis' => $shape['figure'], 'kurtosis_ratio' => $shape['ratio']],
            50,
        );
    }
}
