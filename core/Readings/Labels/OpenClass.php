<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Labels;

use RowTally\Core\Display\DecimalText;
use RowTally\Core\Grouped\ClassRow;
use RowTally\Core\Readings\ClassesSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Values\Exact;

/**
 * Rows in a class without an end.
 *
 * Misleads    The width of an open class is assumed; whoever made the table knows it.
 *
 * @implements Rule<ClassesSubject>
 */
final readonly class OpenClass implements Rule
{
    public function key(): string
    {
        return 'open_class';
    }

    public function rule(): string
    {
        return 'A class that is open at one end holds rows.';
    }

    public function source(): string
    {
        return 'the width of an open class is an assumption; the mean moves by half of what it is widened, times its share';
    }

    public function of(object $subject): ?Said
    {
        $n = $subject->figures->n();
        $open = array_values(array_filter($subject->figures->table->rows, static fn(ClassRow $row): bool => $row->isOpen && $row->count->getSign() > 0));
        if ($open === [] || $n->getSign() === 0) {
            return null;
        }
        $parts = $figures = [];
        foreach ($open as $i => $row) {
            $share = Exact::near($row->count->dividedBy($n));
            $effect = Exact::near($row->count->multipliedBy($row->width())->dividedBy($n->multipliedBy(2)));
            $moves = $row === $subject->figures->table->rows[0] && count($subject->figures->table->rows) > 1 ? 'lower' : 'raise';
            $wording = $subject->wording;
            $parts[] = DecimalText::of(100 * $share, 1) . ($i === 0 ? ' % lie in ' : ' % in ') . "‘{$row->label}’, whose width is assumed: {$wording->number($row->width(), true)} wider would {$moves} the mean by {$wording->inUnit($effect)}";
            $figures += $i === 0 ? ['share' => $share, 'effect' => $effect] : [];
        }

        return new Said(implode('; ', $parts) . '.', $figures, 56);
    }
}
