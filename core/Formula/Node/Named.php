<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Rows;

/** A variable. */
final readonly class Named implements Node
{
    public function __construct(
        public string $name,
        private Kind $kind,
        private ?int $decimals,
        private int $at,
    ) {}

    public function kind(): Kind
    {
        return $this->kind;
    }

    public function at(): int
    {
        return $this->at;
    }

    public function decimals(): ?int
    {
        return $this->decimals;
    }

    public function of(Rows $rows): array
    {
        return $this->kind === Kind::Number ? $rows->numbers($this->name) : $rows->texts($this->name);
    }

    public function parts(): array
    {
        return [];
    }
}
