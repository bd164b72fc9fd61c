<?php

declare(strict_types=1);

namespace RowTally\Core\Basis;

/**
 * Which rows a figure uses when some of its variables are missing.
 *
 * When        each variable by itself uses most rows; complete rows where figures of several variables are put beside one another.
 * Misleads    By itself, figures of two variables may be of different rows. Complete rows may be few, and unlike the others.
 */
enum MissingRows: string
{
    case PerVariable = 'per-variable';
    case CompleteRows = 'complete-rows';

    public function words(): string
    {
        return match ($this) {
            self::PerVariable => 'left out per variable',
            self::CompleteRows => 'left out with their whole row',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::PerVariable => 'Each figure uses every row that has a value of its variable.',
            self::CompleteRows => 'Only rows that have a value of every ticked variable, the split and the counts.',
        };
    }
}
