<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Display\Percent;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;

/**
 * Figures are of fewer rows than there are.
 *
 * Misleads    It cannot say whether those that are missing are like the others.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class Missing implements Rule
{
    public function key(): string
    {
        return 'missing';
    }

    public function rule(): string
    {
        return 'At least 5 % of the rows have no value, or at least 1 where there are fewer than 20 values; overall only.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $missing = $subject->observations->missing;
        $n = $subject->n();
        $all = $n + $missing;
        if (!$subject->isOverall() || $missing === 0 || (20 * $missing < $all && $subject->hasAtLeast(20))) {
            return null;
        }
        $of = "{$subject->number($missing)} of {$subject->rows($all)}";
        $sentence = $n === 0
            ? "None of {$subject->rows($all)} has an entry of {$subject->name}."
            : "{$of} {$subject->verb($missing, 'has', 'have')} no entry of {$subject->name} (" . Percent::text($missing, $all) . " %); every figure here is of the other {$subject->number($n)}.";

        return new Said($sentence, ['missing' => $subject->figure($missing), 'n' => $subject->figure($n), 'share' => $missing / $all], 40 + (int) (50 * $missing / $all));
    }
}
