<?php

declare(strict_types=1);

namespace App\Console;

use App\Intake\ReadVariable;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Profile\RowLabels;
use RowTally\Core\Readings\LabelsSubject;
use RowTally\Core\Readings\Reading;
use RowTally\Core\Readings\Readings;
use RowTally\Core\Readings\RowWord;
use RowTally\Core\Readings\Wording;

/** What the variables of a file say. */
final readonly class FileReadings
{
    public function __construct(
        private FileColumns $columns,
        private Basis $basis,
        private RowGrouping $slicing,
        private RowWord $rows,
    ) {}

    /**
     * @param non-empty-list<Observations> $columns overall, then each group
     * @param list<ClassCost>              $costs
     *
     * @return list<Reading>
     */
    public function ofNumber(ReadVariable $variable, array $columns, array $costs): array
    {
        $named = [];
        foreach ($columns as $i => $observations) {
            $named[] = [$this->name($i), $observations];
        }
        $ids = array_values(array_filter($this->columns->variables(), static fn(ReadVariable $other): bool => $other->type === VariableType::Id));

        return Readings::ofVariable(
            $variable->name,
            $named,
            new Wording(new FigureText($this->basis, $variable->decimals, $columns[0]->countDecimals), $variable->unit, $this->rows, $this->basis),
            $ids === [] ? null : new RowLabels($this->columns, $variable->name, $ids[0]->name, $this->slicing),
            $costs,
        );
    }

    /** @return list<Reading> */
    public function ofLabels(ReadVariable $variable, FrequencyTable $table, bool $splits): array
    {
        $wording = new Wording(new FigureText($this->basis, null, $table->countDecimals), null, $this->rows, $this->basis);
        $readings = [];
        // Of the groups that it makes itself each has one label.
        foreach ($splits ? array_slice($table->counts, 0, 1) : $table->counts as $column => $counts) {
            array_push($readings, ...Readings::ofLabels(new LabelsSubject($variable->name, $table->labels, $counts, $wording, $table->countDecimals, $this->name($column))));
        }

        return Readings::heaviest($readings);
    }

    private function name(int $column): ?string
    {
        return $column === 0 ? null : RowGrouping::name($this->slicing->labels[$column - 1] ?? []);
    }
}
