<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

use Brick\Math\BigRational;
use RowTally\Core\Observations\Observations;

/** The shown groups of one number variable beside one another. */
final readonly class GroupsSubject
{
    private const ENOUGH = 5;

    /** @param list<array{string, Observations}> $groups names and values, in the order they are shown */
    public function __construct(
        public Observations $overall,
        public array $groups,
        public Wording $wording,
    ) {}

    /** Two or more with two values or more. */
    public function areEnough(): bool
    {
        return count(array_filter($this->groups, static fn(array $group): bool => $group[1]->size()->isGreaterThanOrEqualTo(2))) >= 2;
    }

    /** @return list<array{string, Observations}> those with five values or more */
    public function large(): array
    {
        return array_values(array_filter($this->groups, static fn(array $group): bool => $group[1]->size()->isGreaterThanOrEqualTo(self::ENOUGH)));
    }

    /** @return list<array{string, Observations}> those with fewer */
    public function small(): array
    {
        return array_values(array_filter($this->groups, static fn(array $group): bool => $group[1]->size()->isLessThan(self::ENOUGH)));
    }

    /**
     * The large groups with the largest and with the smallest of something; ties together. Empty below two of them.
     *
     * @param callable(Observations): (BigRational|null) $of
     *
     * @return array{high: list<string>, low: list<string>, highest: BigRational, lowest: BigRational}|null
     */
    public function extremes(callable $of): ?array
    {
        $large = $this->large();
        if (count($large) < 2) {
            return null;
        }
        $figures = [];
        foreach ($large as [$name, $observations]) {
            $figure = $of($observations);
            if ($figure !== null) {
                $figures[] = [$name, $figure];
            }
        }
        if (count($figures) < 2) {
            return null;
        }
        $highest = $lowest = $figures[0][1];
        foreach ($figures as [, $figure]) {
            $highest = $figure->isGreaterThan($highest) ? $figure : $highest;
            $lowest = $figure->isLessThan($lowest) ? $figure : $lowest;
        }
        $named = static fn(BigRational $bound): array => array_values(array_map(static fn(array $pair): string => $pair[0], array_filter($figures, static fn(array $pair): bool => $pair[1]->isEqualTo($bound))));

        return ['high' => $named($highest), 'low' => $named($lowest), 'highest' => $highest, 'lowest' => $lowest];
    }
}
