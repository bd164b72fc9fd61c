<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Observations\Observations;

/** One number variable, overall or in a group, as its rules look at it. */
final readonly class NumberSubject
{
    /** @param list<ClassCost> $costs what its classes cost beside its rows; empty = it has none */
    public function __construct(
        public string $name,
        public Observations $observations,
        public Wording $wording,
        public ?string $column = null,
        /** null = rows have no names */
        private ?NamesRows $labels = null,
        private int $place = 0,
        public array $costs = [],
    ) {}

    public function isOverall(): bool
    {
        return $this->column === null;
    }

    public function basis(): Basis
    {
        return $this->wording->basis;
    }

    public function n(): int
    {
        return $this->observations->n();
    }

    /** Whether there are at least so many values, as the counts have it. */
    public function hasAtLeast(int $number): bool
    {
        return $this->observations->size()->isGreaterThanOrEqualTo($number);
    }

    public function hasMoreThan(int $number): bool
    {
        return $this->observations->size()->isGreaterThan($number);
    }

    /** "223 hives", as the counts have it. */
    public function rows(int $unscaled): string
    {
        return $this->wording->rows->counted($unscaled, $this->observations->countDecimals);
    }

    public function number(int $unscaled): string
    {
        return RowWord::number($unscaled, $this->observations->countDecimals);
    }

    /** "lies" for one row, "lie" for more. */
    public function verb(int $unscaled, string $one, string $many): string
    {
        return $unscaled === 10 ** $this->observations->countDecimals ? $one : $many;
    }

    /** How many rows, as a figure. */
    public function figure(int $unscaled): int|float
    {
        return $this->observations->hasWholeCounts() ? $unscaled : $unscaled / 10 ** $this->observations->countDecimals;
    }

    /**
     * @param list<BigDecimal> $values
     *
     * @return list<string|null>
     */
    public function labelsOf(array $values): array
    {
        return $this->labels === null ? array_fill(0, count($values), null) : $this->labels->of($this->place, $values);
    }
}
