<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Formula\Names;
use RowTally\Core\Formula\Rows;
use RowTally\Core\Formula\Table;
use RowTally\Core\Parsing\VariableType;

/** A dataset as the core knows a table; columns are read when they are asked for. */
final class StoredTable implements Table
{
    private readonly StoredRows $rows;
    /** @var array<string, list<Chunk>> */
    private array $chunks = [];
    /** @var list<Chunk>|null */
    private ?array $aside = null;

    public function __construct(private readonly Dataset $dataset, Tallies $tallies)
    {
        $this->rows = StoredRows::of($dataset, $tallies);
    }

    public function layout(): array
    {
        return $this->rows->layout;
    }

    public function type(string $name): VariableType
    {
        return $this->rows->variable($name)->type;
    }

    public function dictionary(string $name): array
    {
        return $this->rows->variable($name)->dictionary;
    }

    public function chunks(string $name): array
    {
        return $this->chunks[$name] ??= StoredColumns::chunks($this->rows->variable($name), $this->dataset->revision);
    }

    public function number(string $name): NumberColumn
    {
        $variable = $this->rows->variable($name);

        return new NumberColumn($variable->decimals, $variable->dictionary, $this->chunks($name));
    }

    public function aside(): ?array
    {
        $aside = $this->dataset->aside();

        return $aside === null ? null : $this->aside ??= StoredColumns::chunks($aside, $this->dataset->revision);
    }

    public function names(): Names
    {
        return $this->rows->names();
    }

    public function rows(int $chunk): Rows
    {
        return $this->rows->at($chunk);
    }
}
