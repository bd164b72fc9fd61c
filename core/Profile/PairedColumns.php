<?php

declare(strict_types=1);

namespace RowTally\Core\Profile;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Comparison\ComparedPairs;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Formula\Table;
use RowTally\Core\Observations\Observations;

/**
 * Two numbers of the same rows, paired: the rows that a condition leaves and that have both, and what changed in each.
 *
 * Accuracy  changes of decimals are exact; of doubles they are doubles.
 * Cost      one pass over both columns.
 */
final class PairedColumns
{
    /**
     * @param string|null $counts name of the number that says how often a row counts
     *
     * @throws NotUnderstood
     * @throws FormulaError
     */
    public static function of(Table $table, string $first, string $second, Basis $basis, ?string $counts = null): ComparedPairs
    {
        $all = RowGrouping::of($table, [], $counts === null ? [] : [$counts], $basis);
        $both = RowGrouping::of($table, [], [$first, $second, ...($counts === null ? [] : [$counts])], $basis);
        $of = static fn(NumberColumn $column, Grouping $grouping): Observations => $counts === null
            ? TallyColumn::byGroup($column, $grouping)[0]
            : TallyUnderCounts::byGroup($column, $table->number($counts), $grouping, $counts)[0];
        $paired = $of($table->number($first), $both->overall);
        $whole = $of($table->number($first), $all->overall);

        return new ComparedPairs(
            $paired,
            $of($table->number($second), $both->overall),
            $of(self::changes($table, $first, $second), $both->overall),
            $whole->n() + $whole->missing,
            $basis,
        );
    }

    private static function changes(Table $table, string $first, string $second): NumberColumn
    {
        $formula = Formula::of(Condition::name($second) . ' - ' . Condition::name($first), $table->names());
        $builder = new NumberColumnBuilder();
        $chunks = [];
        foreach (array_keys($table->layout()) as $chunk) {
            $chunks[] = $builder->add($formula->cells($table->rows($chunk)))->chunk;
        }

        return $builder->column($chunks);
    }
}
