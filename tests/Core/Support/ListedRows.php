<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Formula\Decimals;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Names;
use RowTally\Core\Formula\Node\Node;
use RowTally\Core\Formula\Rows;
use RowTally\Core\Formula\Summary;

/** Rows written out in a test: by variable, numbers or texts, null where missing. */
final class ListedRows implements Rows
{
    /** @var list<string> */
    public array $reasons = [];

    /**
     * @param array<string, list<float|string|null>> $columns
     * @param array<string, int|null>                $decimals of number variables
     */
    public function __construct(
        private readonly array $columns,
        private readonly array $decimals = [],
    ) {}

    public function names(): Names
    {
        $names = [];
        foreach ($this->columns as $name => $values) {
            $isText = !isset($this->decimals[$name]) && array_filter($values, is_string(...)) !== [];
            $names[$name] = ['kind' => $isText ? Kind::Text : Kind::Number, 'decimals' => $this->decimals[$name] ?? null];
        }

        return new Names($names);
    }

    public function count(): int
    {
        return count($this->columns[array_key_first($this->columns)] ?? []);
    }

    public function numbers(string $name): array
    {
        $isDecimal = ($this->decimals[$name] ?? null) !== null;

        // Numbers of more digits than a double has are given as texts of decimals.
        return array_map(static fn(float|string|null $value): float|BigDecimal|null => is_string($value) && $isDecimal ? Decimals::plain(BigDecimal::of($value)) : ($value === null ? null : (float) $value), $this->columns[$name]);
    }

    public function texts(string $name): array
    {
        return array_map(static fn(float|string|null $value): ?string => $value === null ? null : (string) $value, $this->columns[$name]);
    }

    public function summary(Node $number, Basis $basis): Summary
    {
        return Summary::ofNumbers(Summary::present($number->of($this)), $number->decimals(), $basis);
    }

    public function noResult(string $reason): void
    {
        $this->reasons[] = $reason;
    }
}
