<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use Brick\Math\BigDecimal;
use RowTally\Core\Display\Percent;
use RowTally\Core\Figures\Modes;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;
use RowTally\Core\Values\Reason;

/**
 * The commonest values, or that there is none.
 *
 * Misleads    Of finely measured values the commonest is an accident of rounding.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class CommonestValues implements Rule
{
    public function key(): string
    {
        return 'modes';
    }

    public function rule(): string
    {
        return 'At least 5 values, at most 200 different ones and not all equal: one mode with 5 % of the values or more, two to five modes, or none.';
    }

    public function source(): string
    {
        return 'by definition';
    }

    public function of(object $subject): ?Said
    {
        $observations = $subject->observations;
        if (!$subject->hasAtLeast(5) || $observations->values->hasMoreDistinctThan(200) || $observations->allEqual()) {
            return null;
        }
        $modes = Modes::of($observations->values);
        if ($modes->reason !== null) {
            $words = $modes->reason->reason === Reason::NoValueRepeats ? 'No value repeats' : 'All values are equally frequent';

            return new Said("{$words}, so there is no mode.", ['modes' => 0], 12);
        }
        $n = $subject->n();
        $number = count($modes->values);
        $texts = array_map(static fn(BigDecimal $value): string => $subject->wording->number((float) (string) $value, true), $modes->values);
        $figures = ['modes' => $number, 'value' => (float) (string) $modes->values[0], 'count' => $subject->figure($modes->count)];
        $times = "{$subject->number($modes->count)} {$subject->verb($modes->count, 'time', 'times')}";

        return match (true) {
            $number === 1 && 20 * $modes->count >= $n => new Said("The commonest value is {$texts[0]}{$subject->wording->unitBehind()} ({$times}, " . Percent::text($modes->count, $n) . ' %).', $figures, 15),
            $number >= 2 && $number <= 5 => new Said(Wording::word($number) . ' values are commonest: ' . Wording::list($texts) . "{$subject->wording->unitBehind()} ({$times} each).", $figures, 15),
            default => null,
        };
    }
}
