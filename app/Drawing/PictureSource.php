<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Slopes;
use RowTally\Core\Plots\StackOptions;

/** What a picture is drawn of: one variable of a dataset, overall and by group, under a basis. */
interface PictureSource
{
    /** Its name, as a formula may speak of it. */
    public function variable(): string;

    /** With its unit: what stands at an axis. */
    public function axisName(): string;

    public function unit(): ?string;

    /** @return non-empty-list<string> what the columns are called: overall, then the groups that are shown */
    public function names(): array;

    public function basis(): Basis;

    public function stackOptions(): StackOptions;

    /** Rows, or the variable of counts with its unit. */
    public function counted(): string;

    /** @return non-empty-list<Observations> overall, then the groups that are shown */
    public function columns(): array;

    /** @return list<int> columns from the top: overall first, then the groups as they were asked for */
    public function order(): array;

    /** How often each label of a category occurs, in the order of its table. */
    public function labels(): FrequencyTable;

    /** The classes that the labels of a category are. */
    public function classes(): GroupedProfile;

    /** @return non-empty-list<string> what the columns of those classes are called */
    public function classNames(): array;

    /** @return list<array{key: string, name: string}> other variables of numbers, those of the same unit first */
    public function others(): array;

    /** What stands at the beginning of those lines. */
    public function slopesFrom(): string;

    /** Each row from this variable to another. */
    public function slopesTo(string $key): Slopes;

    /** The condition that leaves the rows for which this holds, in one of the columns; null where no formula says it. */
    public function rowsWhere(string $condition, int $column): ?string;
}
