<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;

/**
 * Nothing varies.
 *
 * Misleads    A variable that does not vary may also be a column that was never filled in.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class Constant implements Rule
{
    public function key(): string
    {
        return 'constant';
    }

    public function rule(): string
    {
        return 'At least 2 values, and all are equal.';
    }

    public function source(): string
    {
        return 'by definition';
    }

    public function of(object $subject): ?Said
    {
        $observations = $subject->observations;
        if (!$subject->hasAtLeast(2) || !$observations->allEqual()) {
            return null;
        }
        $value = $observations->values->at(1);

        return new Said(
            "All {$subject->number($subject->n())} values are {$subject->wording->inUnit((float) (string) $value, true)}.",
            ['n' => $subject->figure($subject->n()), 'value' => (float) (string) $value],
            90,
        );
    }
}
