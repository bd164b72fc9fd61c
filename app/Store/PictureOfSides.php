<?php

declare(strict_types=1);

namespace App\Store;

use App\Drawing\PictureSource;
use App\Models\Dataset;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Comparison\Pooled;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Slopes;
use RowTally\Core\Plots\StackOptions;

/** What is compared, to be drawn: all of it together, then each side; of pairs their changes. */
final class PictureOfSides implements PictureSource
{
    /** @var non-empty-list<Observations>|null */
    private ?array $columns = null;

    public function __construct(
        private readonly ComparedSides $sides,
        private readonly Dataset $dataset,
        private readonly Question $question,
        private readonly Tallies $tallies,
    ) {}

    public function variable(): string
    {
        return $this->sides->name;
    }

    public function axisName(): string
    {
        return $this->sides->unit === null ? $this->sides->name : "{$this->sides->name} ({$this->sides->unit})";
    }

    public function unit(): ?string
    {
        return $this->sides->unit;
    }

    public function names(): array
    {
        return $this->sides->pairs !== null ? ['Changes'] : ['All together', ...array_column($this->sides->sides, 0)];
    }

    public function basis(): Basis
    {
        return $this->question->basis;
    }

    public function stackOptions(): StackOptions
    {
        return $this->question->stack;
    }

    public function counted(): string
    {
        return $this->question->basis->counts ?? 'rows';
    }

    public function columns(): array
    {
        $all = array_column($this->sides->sides, 1);

        return $this->columns ??= $this->sides->pairs !== null ? [$this->sides->pairs->changes] : [Pooled::of($all), ...$all];
    }

    public function order(): array
    {
        return array_keys($this->columns());
    }

    public function labels(): FrequencyTable
    {
        throw UnknownVariable::notOfCompared();
    }

    public function classes(): GroupedProfile
    {
        throw UnknownVariable::notOfCompared();
    }

    public function classNames(): array
    {
        return $this->names();
    }

    public function others(): array
    {
        return $this->sides->pairs === null ? [] : [['key' => 'second', 'name' => $this->sides->sides[1][0] ?? '']];
    }

    public function slopesFrom(): string
    {
        return $this->sides->sides[0][0];
    }

    public function slopesTo(string $key): Slopes
    {
        return Slopes::of(new StoredTable($this->dataset, $this->tallies), $this->sides->sides[0][0], $this->sides->sides[1][0] ?? '', $this->question->basis);
    }

    public function rowsWhere(string $condition, int $column): ?string
    {
        return $column === 0 || $this->sides->rows === null ? null : ($this->sides->rows)($condition, $column - 1);
    }
}
