<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;

/**
 * What is lost where only the classes are known.
 *
 * Misleads    It is what these classes cost; others would cost something else.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class ClassesCost implements Rule
{
    public function key(): string
    {
        return 'classes_cost';
    }

    public function rule(): string
    {
        return 'The variable has a table of classes; overall only.';
    }

    public function source(): string
    {
        return 'by definition: the mean of the class midpoints';
    }

    public function of(object $subject): ?Said
    {
        foreach ($subject->isOverall() ? $subject->costs : [] as $cost) {
            if ($cost->key === 'mean') {
                $difference = $cost->difference();
                $shown = $subject->wording->inUnit(abs($difference));
                $isNone = preg_match('/[1-9]/', $subject->wording->number(abs($difference))) !== 1;
                $what = $isNone ? 'the same to the decimals shown as' : "{$shown} " . ($difference > 0 ? 'higher' : 'lower') . ' than';

                return new Said("From these classes alone the mean would be {$what} from the rows.", ['difference' => $difference], 6);
            }
        }

        return null;
    }
}
