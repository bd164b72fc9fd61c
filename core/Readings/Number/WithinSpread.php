<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Display\Percent;
use RowTally\Core\Figures\ShareWithinDeviations;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;
use RowTally\Core\Values\Exact;

/**
 * How many lie within one standard deviation.
 *
 * Misleads    A share near 68 % does not make values normal.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class WithinSpread implements Rule
{
    public function key(): string
    {
        return 'within_spread';
    }

    public function rule(): string
    {
        return 'At least 20 values with a spread.';
    }

    public function source(): string
    {
        return 'by definition; 68.27 % of a normal distribution lie within mean ± 1 SD';
    }

    public function of(object $subject): ?Said
    {
        $within = new ShareWithinDeviations(1);
        $observations = $subject->observations;
        $bounds = $subject->hasAtLeast(20) && !$observations->allEqual() ? $within->bounds($observations, $subject->basis()) : null;
        if ($bounds === null) {
            return null;
        }
        $n = $subject->n();
        $expected = $within->expectedShare() * (Exact::toFloat($observations->size()) ?? 0.0);
        $about = NumberMarks::count(round($expected));

        return new Said(
            'A normal distribution has ' . Wording::ratio(68.27) . " % within mean ± 1 SD, here about {$about} of {$subject->rows($n)}; it is {$subject->number($bounds['count'])} (" . Percent::text($bounds['count'], $n) . ' %).',
            ['count' => $subject->figure($bounds['count']), 'share' => $bounds['count'] / $n, 'expected' => $expected],
            30,
        );
    }
}
