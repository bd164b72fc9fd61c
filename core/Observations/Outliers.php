<?php

declare(strict_types=1);

namespace RowTally\Core\Observations;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;

/**
 * The values beyond the fences.
 *
 * Definition  strictly below Q₁ − m·IQR or above Q₃ + m·IQR with the inner multiplier m of the basis; far outliers beyond the outer.
 * Unit        the unit of the variable.
 * Undefined   none when there are no values.
 * Source      Tukey, Exploratory Data Analysis (1977), chapter 2.
 * Accuracy    decided exactly.
 * Cost        four binary searches and the distinct outliers, at most `SHOWN` of them.
 */
final readonly class Outliers
{
    /** Up to this many outliers are marked, half of them at each end, the outermost. */
    public const SHOWN = 400;

    /** @param list<array{value: BigDecimal, count: int, far: bool}> $marks ascending */
    private function __construct(
        public int $total,
        /** How many of them lie beyond the outer fences. */
        public int $far,
        public array $marks,
        /** Whether some are not in $marks, because there are too many. */
        public bool $cut,
        /** Ranks of the first and last value that is no outlier. */
        public int $firstInside,
        public int $lastInside,
    ) {}

    public static function of(Observations $observations, Basis $basis): self
    {
        return self::marked($observations, $basis, self::SHOWN);
    }

    /** @return list<array{value: BigDecimal, count: int, far: bool}> all of them, however many */
    public static function every(Observations $observations, Basis $basis): array
    {
        return self::marked($observations, $basis, 2 * $observations->n())->marks;
    }

    private static function marked(Observations $observations, Basis $basis, int $most): self
    {
        $n = $observations->n();
        if ($n === 0) {
            return new self(0, 0, [], false, 0, 0);
        }
        $values = $observations->values;
        $quartiles = $observations->quartiles($basis->quartileRule);
        $low = $values->countBelow($quartiles->lowerFence($basis->innerFence));
        $inside = $values->countUpTo($quartiles->upperFence($basis->innerFence));
        $lowest = min($low, intdiv($most, 2));
        $highest = min($n - $inside, intdiv($most, 2));
        $farBelow = $values->countBelow($quartiles->lowerFence($basis->outerFence()));
        $farAbove = $values->countUpTo($quartiles->upperFence($basis->outerFence()));
        $marks = [];
        foreach ([[1, $lowest], [$n - $highest + 1, $n]] as [$rank, $last]) {
            foreach ($values->between($rank, $last) as $entry) {
                $marks[] = [...$entry, 'far' => $rank <= $farBelow || $rank > $farAbove];
                $rank += $entry['count'];
            }
        }

        return new self($low + $n - $inside, $farBelow + $n - $farAbove, $marks, $lowest < $low || $highest < $n - $inside, $low + 1, $inside);
    }
}
