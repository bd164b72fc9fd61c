<?php

declare(strict_types=1);

namespace App\Console;

use App\Intake\ColumnSink;
use App\Intake\ReadVariable;
use App\Intake\TableReading;
use LogicException;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Values\Observations;

/** The columns of a file, held in memory. */
final class FileColumns implements ColumnSink
{
    /** @var array<int, list<Chunk>> */
    private array $chunks = [];
    private ?TableReading $reading = null;

    public function begin(array $variables): void {}

    public function write(int $number, array $columns): void
    {
        foreach ($columns as $i => $column) {
            $this->chunks[$i][] = $column->chunk;
        }
    }

    public function finish(TableReading $reading): void
    {
        $this->reading = $reading;
    }

    public function rows(): int
    {
        return $this->reading()->rows;
    }

    /** @return list<ReadVariable> */
    public function variables(): array
    {
        return $this->reading()->variables;
    }

    /**
     * The rows without a label first, then one for each label; without $by, all rows.
     *
     * @return list<Observations>
     */
    public function observations(int $variable, ?int $by): array
    {
        $read = $this->variables()[$variable];

        return TallyColumn::byGroup(
            new NumberColumn($read->decimals, $read->dictionary, $this->chunks[$variable]),
            $by === null ? null : $this->chunks[$by],
            $by === null ? 0 : count($this->variables()[$by]->dictionary),
        );
    }

    private function reading(): TableReading
    {
        return $this->reading ?? throw new LogicException('The file has not been read to its end.');
    }
}
