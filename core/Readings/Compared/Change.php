<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Compared;

use RowTally\Core\Comparison\Measure;
use RowTally\Core\Readings\PairsAgainst;
use RowTally\Core\Readings\RowWord;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;

/**
 * How many rose and fell, and by how much on average.
 *
 * Misleads    What rises and falls by itself changes too: without rows that nothing was done to, a change has no cause.
 *
 * @implements Rule<PairsAgainst>
 */
final readonly class Change implements Rule
{
    public function key(): string
    {
        return 'change';
    }

    public function rule(): string
    {
        return 'At least one row has both.';
    }

    public function source(): string
    {
        return 'Student, Biometrika 6 (1908) 1–25';
    }

    public function of(object $subject): ?Said
    {
        $compared = $subject->compared;
        $mean = $compared->ofChanges(Measure::Mean->statistic())->number();
        if ($mean === null) {
            return null;
        }
        $wording = $subject->wording;
        $decimals = $compared->changes->countDecimals;
        $number = static fn(int $rows): string => RowWord::number($rows, $decimals);
        $interval = $compared->interval();
        [$low, $high] = [$interval->low->number(), $interval->high->number()];
        $isClear = $interval->holds(0.0) === false;
        $way = static fn(float|int $value): string => $value < 0 ? 'lower' : 'higher';
        $level = $wording->basis->levelPercent();
        $about = (float) $mean === 0.0 ? 'the same' : $wording->inUnit(abs($mean)) . ' ' . $way($mean);
        $between = match (true) {
            $low === null || $high === null => '',
            $isClear => " ({$level} % interval {$wording->number(min(abs($low), abs($high)))} to {$wording->number(max(abs($low), abs($high)))})",
            default => " ({$level} % interval from {$wording->number(abs($low))} {$way($low)} to {$wording->number(abs($high))} {$way($high)})",
        };
        $sentence = "Of {$wording->rows->counted($compared->changes->n(), $decimals)} {$number($compared->fell())} fell from {$subject->first} to {$subject->second}, {$number($compared->rose())} rose, {$number($compared->stayed())} stayed as they were; on average {$about}{$between}.";
        if ($subject->good !== null) {
            $sentence .= !$isClear ? ' No clear change on average.' : ($subject->good->isGood($mean) ? ' That is better.' : ' That is worse.');
        }

        return new Said($sentence, ['n' => $compared->size()->number(), 'rose' => $compared->counted($compared->rose())->number(), 'fell' => $compared->counted($compared->fell())->number(), 'stayed' => $compared->counted($compared->stayed())->number(), 'mean' => $mean, 'low' => $low, 'high' => $high], 75);
    }
}
