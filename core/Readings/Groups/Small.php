<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Groups;

use RowTally\Core\Readings\GroupsSubject;
use RowTally\Core\Readings\RowWord;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;

/**
 * Groups too small to say much of.
 *
 * Misleads    It counts values; whether a few are enough depends on what is asked.
 *
 * @implements Rule<GroupsSubject>
 */
final readonly class Small implements Rule
{
    public function key(): string
    {
        return 'groups_small';
    }

    public function rule(): string
    {
        return 'Any shown group has fewer than 5 values.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $small = $subject->small();
        if ($small === []) {
            return null;
        }
        $names = array_map(static fn(array $group): string => "{$group[0]} (" . RowWord::number($group[1]->n(), $group[1]->countDecimals) . ')', $small);
        $rows = $subject->wording->rows->many;

        return new Said(
            (count($small) === 1 ? 'One group has' : Wording::word(count($small)) . ' groups have') . " fewer than 5 {$rows}: " . Wording::some($names, 5) . '.',
            ['groups' => count($small)],
            52,
        );
    }
}
