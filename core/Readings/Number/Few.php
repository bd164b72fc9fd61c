<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;

/**
 * Too few to lean on a quartile.
 *
 * Misleads    Few values can be all there are: then nothing is uncertain about them.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class Few implements Rule
{
    public function key(): string
    {
        return 'few';
    }

    public function rule(): string
    {
        return 'Fewer than 10 values.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $n = $subject->n();
        if ($subject->hasAtLeast(10)) {
            return null;
        }
        $rows = $subject->wording->rows;
        $sentence = match (true) {
            $n === 0 => 'There is no value.',
            !$subject->hasMoreThan(1) => "Only {$subject->number($n)} {$subject->verb($n, 'value', 'values')}: there is nothing to compare it with.",
            default => "Only {$subject->number($n)} values: each quartile rests on one or two {$rows->many}.",
        };

        return new Said($sentence, ['n' => $subject->figure($n)], 70);
    }
}
