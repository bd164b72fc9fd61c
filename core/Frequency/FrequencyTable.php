<?php

declare(strict_types=1);

namespace RowTally\Core\Frequency;

use RowTally\Core\Display\Percent;

/**
 * How often each label, value or class occurs, overall and by group.
 *
 * Definition  count f; percent of all rows 100·f/(n + missing); percent of those present 100·f/n; cumulative percent over the rows
 *             in their order; by group also percent of the label's row and of all in the groups.
 * Unit        rows, or the unit of the counts; percent.
 * Undefined   a percent of nothing is null.
 * Source      no convention involved.
 * Accuracy    percents are rounded once, from the exact ratio.
 * Cost        O(rows × groups).
 */
final readonly class FrequencyTable
{
    /** @var list<list<int>> by column: the counts of all rows up to each */
    private array $upTo;
    /** @var list<int> by column */
    private array $totals;

    /**
     * @param list<string>    $labels
     * @param list<list<int>> $counts  by column, overall first; each in the order of the labels
     * @param list<int>       $missing by column
     */
    public function __construct(
        public FrequencyKind $kind,
        public array $labels,
        public array $counts,
        public array $missing,
        public int $countDecimals = 0,
    ) {
        $this->upTo = array_map(static function (array $column): array {
            $sum = 0;

            return array_map(static function (int $count) use (&$sum): int {
                return $sum += $count;
            }, $column);
        }, $counts);
        $this->totals = array_map(static fn(array $column): int => array_sum($column), $counts);
    }

    /**
     * The first column of several tables over the same labels as columns, after what they add up to.
     *
     * @param non-empty-list<self> $tables
     */
    public static function together(array $tables): self
    {
        $decimals = max(array_map(static fn(self $table): int => $table->countDecimals, $tables));
        $columns = array_map(static fn(self $table): array => array_map(static fn(int $count): int => $count * 10 ** ($decimals - $table->countDecimals), $table->counts[0]), $tables);
        $missing = array_map(static fn(self $table): int => $table->missing[0] * 10 ** ($decimals - $table->countDecimals), $tables);
        $sums = array_map(static fn(int $row): int => array_sum(array_column($columns, $row)), array_keys($tables[0]->labels));

        return new self($tables[0]->kind, $tables[0]->labels, [$sums, ...$columns], [array_sum($missing), ...$missing], $decimals);
    }

    /**
     * Some of the columns, overall and the groups that are shown, say.
     *
     * @param list<int> $shown
     */
    public function columns(array $shown): self
    {
        return new self(
            $this->kind,
            $this->labels,
            array_map(fn(int $column): array => $this->counts[$column], $shown),
            array_map(fn(int $column): int => $this->missing[$column], $shown),
            $this->countDecimals,
        );
    }

    /** The most frequent first; equal ones as they were. */
    public function byCount(): self
    {
        $order = array_keys($this->labels);
        usort($order, fn(int $a, int $b): int => [$this->counts[0][$b], $a] <=> [$this->counts[0][$a], $b]);

        return new self(
            $this->kind,
            array_map(fn(int $i): string => $this->labels[$i], $order),
            array_map(static fn(array $column): array => array_map(static fn(int $i): int => $column[$i], $order), $this->counts),
            $this->missing,
            $this->countDecimals,
        );
    }

    public function total(int $column): int
    {
        return $this->totals[$column];
    }

    /** How many have this label or one before it. */
    public function upTo(int $column, int $row): int
    {
        return $this->upTo[$column][$row];
    }

    public function percentOfAll(int $column, int $row): ?string
    {
        return self::percent($this->counts[$column][$row], $this->totals[$column] + $this->missing[$column]);
    }

    public function percentMissing(int $column): ?string
    {
        return self::percent($this->missing[$column], $this->totals[$column] + $this->missing[$column]);
    }

    public function percentOfPresent(int $column, int $row): ?string
    {
        return self::percent($this->counts[$column][$row], $this->totals[$column]);
    }

    public function cumulativePercent(int $column, int $row): ?string
    {
        return self::percent($this->upTo[$column][$row], $this->totals[$column]);
    }

    /** Of all with this label, in any group. */
    public function percentOfRow(int $column, int $row): ?string
    {
        return self::percent($this->counts[$column][$row], $this->counts[0][$row]);
    }

    /** Of all that are present. */
    public function percentOfTotal(int $column, int $row): ?string
    {
        return self::percent($this->counts[$column][$row], $this->totals[0]);
    }

    /** @return int|null the row with the largest count overall, the first of equals; null without any */
    public function commonest(): ?int
    {
        $most = $this->counts[0] === [] ? 0 : max($this->counts[0]);
        $row = array_search($most, $this->counts[0], true);

        return $most === 0 || $row === false ? null : $row;
    }

    private static function percent(int $part, int $whole): ?string
    {
        return $whole === 0 ? null : Percent::text($part, $whole);
    }
}
