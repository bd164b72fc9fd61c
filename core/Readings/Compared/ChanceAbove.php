<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Compared;

use RowTally\Core\Readings\GroupsAgainst;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;

/**
 * How often one of these exceeds one of those.
 *
 * Misleads    It compares rows drawn at random and says nothing of how far above.
 *
 * @implements Rule<GroupsAgainst>
 */
final readonly class ChanceAbove implements Rule
{
    public function key(): string
    {
        return 'chance_above';
    }

    public function rule(): string
    {
        return 'Both have at least 5 values. Equal ones count half.';
    }

    public function source(): string
    {
        return 'Vargha & Delaney, Journal of Educational and Behavioral Statistics 25 (2000) 101–132';
    }

    public function of(object $subject): ?Said
    {
        $chance = $subject->compared->superiority()->number();
        if ($chance === null || $subject->compared->first->size()->isLessThan(5) || $subject->compared->second->size()->isLessThan(5)) {
            return null;
        }
        $draws = (int) round(100 * $chance);
        $often = match (true) {
            $draws === 100 && $chance < 1 => 'more than 99 of 100 draws',
            $draws === 0 && $chance > 0 => 'less than 1 of 100 draws',
            default => "{$draws} of 100 draws",
        };
        $who = $subject->areRows ? ucfirst($subject->wording->rows->article()) . " of {$subject->second}" : "A value of {$subject->second}";

        return new Said("{$who} drawn at random lies above one of {$subject->first} in {$often}, equal ones counted half.", ['superiority' => $chance], 60);
    }
}
