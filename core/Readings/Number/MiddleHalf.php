<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Values\Exact;

/**
 * Where half of the values lie.
 *
 * Misleads    The other half lies outside, and nothing is said of how far.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class MiddleHalf implements Rule
{
    public function key(): string
    {
        return 'middle';
    }

    public function rule(): string
    {
        return 'At least 5 values, not all equal.';
    }

    public function source(): string
    {
        return 'by definition';
    }

    public function of(object $subject): ?Said
    {
        $observations = $subject->observations;
        if (!$subject->hasAtLeast(5) || $observations->allEqual()) {
            return null;
        }
        $quartiles = $observations->quartiles($subject->basis()->quartileRule);
        $wording = $subject->wording;
        [$from, $to] = [$wording->quantile($quartiles->q1, $observations->values), $wording->quantile($quartiles->q3, $observations->values)];

        return new Said(
            "The middle half of the {$wording->rows->many} lies between {$from} and {$to}{$wording->unitBehind()}.",
            ['q1' => Exact::near($quartiles->q1), 'q3' => Exact::near($quartiles->q3)],
            5,
        );
    }
}
