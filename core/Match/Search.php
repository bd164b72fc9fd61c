<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Observations\Observations;

/** What a figure is looked for in: the values, the basis in force, and the number that was given. */
final readonly class Search
{
    public function __construct(
        public Stated $stated,
        public Observations $observations,
        public Basis $basis,
    ) {}

    /**
     * A figure as it comes out, and why it may be the one; null where it has no value, or could not be meant.
     *
     * @param list<string> $differences from what is on screen
     * @param int|float    $cost        the plainer the less
     */
    public function explain(Statistic $statistic, Basis $basis, array $differences, int|float $cost, ?Observations $observations = null): ?Explanation
    {
        $observations ??= $this->observations;
        $value = $statistic->of($observations, $basis)->number();
        if ($value === null || ($this->stated->isPercent && $statistic->shownAs() !== ShownAs::Share && $statistic->shownAs() !== ShownAs::Probability)) {
            return null;
        }

        return new Explanation($statistic, $differences, (float) $value, (int) $cost, $observations, $basis);
    }

    /**
     * @param list<Explanation|null> $found
     *
     * @return list<Explanation>
     */
    public static function defined(array $found): array
    {
        return array_values(array_filter($found, static fn(?Explanation $explanation): bool => $explanation !== null));
    }
}
