<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Observations\RoundEndings;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;

/**
 * People round to fives and tens.
 *
 * Misleads    A scale that shows fives only does the same, and nobody rounded.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class RoundedByEye implements Rule
{
    public function key(): string
    {
        return 'rounded_by_eye';
    }

    public function rule(): string
    {
        return 'At least 100 values and 50 different ones, and the last digits 0 and 5 have 40 % of the values or more; overall only.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally; 20 % would by chance';
    }

    public function of(object $subject): ?Said
    {
        $values = $subject->observations->values;
        if (!$subject->isOverall() || !$subject->hasAtLeast(100) || $values->decimals() === null || !$values->hasMoreDistinctThan(49)) {
            return null;
        }
        $round = $subject->observations->remembered(RoundEndings::class, RoundEndings::of(...))->count;
        $n = $subject->n();
        if (5 * $round < 2 * $n) {
            return null;
        }

        return new Said(
            (string) (int) round(100 * $round / $n) . ' % of the values end in 0 or 5, where 20 % would by chance: they look rounded when they were taken.',
            ['share' => $round / $n, 'n' => $subject->figure($n)],
            65,
        );
    }
}
