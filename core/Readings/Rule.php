<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

/**
 * When a reading speaks, and where that comes from. One class a rule, listed once in `Readings`.
 *
 * All comparisons are made on exact figures, or on their doubles, before anything is rounded. A rule whose figure is undefined is silent.
 *
 * @template S of object what it speaks of
 */
interface Rule
{
    public function key(): string;

    /** The condition, in one sentence. */
    public function rule(): string;

    public function source(): string;

    /**
     * @param S $subject
     *
     * @return Said|null null = it is silent
     */
    public function of(object $subject): ?Said;
}
