<?php

declare(strict_types=1);

namespace Tests\App\Support;

use App\Drawing\PictureSource;
use LogicException;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Slopes;
use RowTally\Core\Plots\StackOptions;
use Tests\Core\Support\Numbers;

/** Numbers as a picture takes them, without a dataset. */
final readonly class ListedSource implements PictureSource
{
    /** @var non-empty-list<Observations> */
    private array $columns;

    /**
     * @param non-empty-list<list<string>> $columns overall, then the groups
     * @param non-empty-list<string>       $names
     * @param list<int>                    $order   of the columns
     */
    public function __construct(array $columns, private array $names = ['Overall'], private array $order = [0], private StackOptions $options = new StackOptions(), private Basis $basis = new Basis())
    {
        $this->columns = array_map(static fn(array $texts): Observations => new Observations(Numbers::ofTexts($texts), 0), $columns);
    }

    public function variable(): string
    {
        return 'x';
    }

    public function axisName(): string
    {
        return 'x (kg)';
    }

    public function unit(): string
    {
        return 'kg';
    }

    public function names(): array
    {
        return $this->names;
    }

    public function basis(): Basis
    {
        return $this->basis;
    }

    public function stackOptions(): StackOptions
    {
        return $this->options;
    }

    public function counted(): string
    {
        return 'rows';
    }

    public function columns(): array
    {
        return $this->columns;
    }

    public function order(): array
    {
        return $this->order;
    }

    public function labels(): FrequencyTable
    {
        throw new LogicException('These are numbers.');
    }

    public function classes(): GroupedProfile
    {
        throw new LogicException('These are numbers.');
    }

    public function classNames(): array
    {
        return $this->names;
    }

    public function others(): array
    {
        return [];
    }

    public function slopesFrom(): string
    {
        return $this->axisName();
    }

    public function slopesTo(string $key): Slopes
    {
        throw new LogicException('There is no other variable.');
    }

    public function rowsWhere(string $condition, int $column): string
    {
        return $column === 0 ? $condition : "{$condition} and g = '{$this->names[$column]}'";
    }
}
