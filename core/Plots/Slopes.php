<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Columns\Presence;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Formula\Decimals;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Formula\Table;
use RowTally\Core\Values\Exact;

/**
 * Two numbers of the same rows as lines from one to the other: before and after.
 *
 * Definition  a line for each row that has both; above `DRAWN` rows every k-th of them in row order. All of them are counted as rising,
 *             falling or staying.
 * Unit        that of the variables; the axis covers both.
 * Undefined   no axis without a row that has both, or where their range leaves the doubles.
 * Source      no convention involved.
 * Accuracy    decimals are compared as they are written.
 * Cost        one pass over both columns.
 */
final readonly class Slopes
{
    public const DRAWN = 400;

    /** @param list<array{float, float}> $lines before and after */
    private function __construct(
        public ?Axis $axis,
        public array $lines,
        public int $rising,
        public int $falling,
        public int $staying,
        /** Rows that are in and lack one of the two. */
        public int $incomplete,
    ) {}

    /**
     * @param Basis $basis its condition leaves rows in
     *
     * @throws FormulaError
     * @throws InvalidInput when there is no such variable
     */
    public static function of(Table $table, string $before, string $after, Basis $basis = new Basis()): self
    {
        $condition = $basis->where === null ? null : Formula::of($basis->where, $table->names(), $basis);
        $aside = $table->aside();
        $every = max(1, (int) ceil(array_sum($table->layout()) / self::DRAWN));
        $lines = [];
        $directions = [-1 => 0, 0 => 0, 1 => 0];
        $incomplete = $complete = 0;
        [$low, $high] = [INF, -INF];
        foreach ($table->layout() as $chunk => $count) {
            $rows = $table->rows($chunk);
            $kept = $condition === null ? array_fill(0, $count, true) : $condition->truths($rows);
            foreach ($aside === null ? [] : Presence::of($aside[$chunk]) as $i => $isAside) {
                $kept[$i] = !$isAside && $kept[$i] === true;
            }
            [$from, $to] = [$rows->numbers($before), $rows->numbers($after)];
            foreach ($kept as $i => $isIn) {
                if ($isIn !== true) {
                    continue;
                }
                [$b, $a] = [$from[$i], $to[$i]];
                if ($b === null || $a === null) {
                    ++$incomplete;
                    continue;
                }
                ++$directions[Decimals::order($a, $b)];
                [$b, $a] = [Decimals::double($b), Decimals::double($a)];
                [$low, $high] = [min($low, $b, $a), max($high, $b, $a)];
                if ($complete++ % $every === 0) {
                    $lines[] = [$b, $a];
                }
            }
        }

        return new self($complete === 0 || $high - $low === INF ? null : self::axis($low, $high), $lines, $directions[1], $directions[-1], $directions[0], $incomplete);
    }

    private static function axis(float $low, float $high): Axis
    {
        [$from, $to] = [BigDecimal::of(Exact::shortestText($low)), BigDecimal::of(Exact::shortestText($high))];

        return $from->isEqualTo($to) ? Axis::covering($from->minus(1), $to->plus(1)) : Axis::covering($from, $to);
    }
}
