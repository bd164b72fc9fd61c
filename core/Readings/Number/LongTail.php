<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Figures\Skewness;
use RowTally\Core\Figures\SkewnessRatio;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;

/**
 * One side reaches much farther than the other.
 *
 * Misleads    A single far row can make a tail: look at the picture.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class LongTail implements Rule
{
    public function key(): string
    {
        return 'tail';
    }

    public function rule(): string
    {
        return 'Skewness over its standard error beyond 1.96 for 20 to 49 values, beyond 3.29 for 50 to 300; above 300 values skewness itself beyond 2.';
    }

    public function source(): string
    {
        return 'Kim, Restorative Dentistry & Endodontics 38 (2013) 52–54';
    }

    public function of(object $subject): ?Said
    {
        $shape = ShapeLimits::exceeded($subject, new Skewness(), new SkewnessRatio(), 2.0);
        if ($shape === null) {
            return null;
        }
        $side = $shape['figure'] > 0.0 ? 'high' : 'low';
        $behind = $shape['isLarge'] ? '' : ', ' . Wording::ratio(abs($shape['ratio']), 1) . ' times its standard error';

        return new Said(
            "A long tail to the {$side} values (skewness G₁ " . Wording::ratio($shape['figure']) . "{$behind}).",
            ['skewness' => $shape['figure'], 'skewness_ratio' => $shape['ratio']],
            60,
        );
    }
}
