<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Compared;

use RowTally\Core\Comparison\Measure;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Readings\GroupsAgainst;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;

/**
 * How far apart the means are, and how sure that is.
 *
 * Misleads    An interval that holds 0 is no proof that there is no difference; one that does not is none of a cause.
 *
 * @implements Rule<GroupsAgainst>
 */
final readonly class Difference implements Rule
{
    public function key(): string
    {
        return 'difference';
    }

    public function rule(): string
    {
        return 'Both have a value.';
    }

    public function source(): string
    {
        return 'Welch, Biometrika 34 (1947) 28–35';
    }

    public function of(object $subject): ?Said
    {
        $compared = $subject->compared;
        $difference = $compared->difference(Measure::Mean)->number();
        if ($difference === null) {
            return null;
        }
        $wording = $subject->wording;
        $interval = $compared->interval();
        [$low, $high] = [$interval->low->number(), $interval->high->number()];
        $percent = $compared->percent(Measure::Mean)->number();
        $level = $wording->basis->levelPercent();
        $beside = array_filter([
            $percent === null || $difference === 0.0 ? null : DecimalText::of(abs($percent), 1) . ' %',
            $low === null || $high === null ? null : "{$level} % interval of the difference {$wording->number($low)} to {$wording->number($high)}",
        ], static fn(?string $part): bool => $part !== null);
        $apart = $wording->number(abs($difference));
        [$first, $second] = [Wording::possessive($subject->first), Wording::possessive($subject->second)];
        $sentence = ($difference === 0.0
            ? "{$second} mean is the same as {$first}"
            : "{$second} mean is {$apart}{$wording->unitBehind()} " . ($difference > 0.0 ? 'above' : 'below') . " {$first}") . ($beside === [] ? '' : ' (' . implode('; ', $beside) . ')');
        $holdsNone = $interval->holds(0.0) === false;
        $sentence .= $low === null || $holdsNone ? '.' : '; the interval holds 0.';
        if ($subject->good !== null && $holdsNone) {
            $sentence .= $subject->good->isGood($difference) ? ' That is better.' : ' That is worse.';
        }

        return new Said($sentence, ['difference' => $difference, 'percent' => $percent, 'low' => $low, 'high' => $high], 70);
    }
}
