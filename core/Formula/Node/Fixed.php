<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Rows;

/** A number or a text written out. */
final readonly class Fixed implements Node
{
    private function __construct(
        public float|string $value,
        private int $at,
        private ?int $decimals,
    ) {}

    public static function number(string $text, int $at): self
    {
        $point = strpos($text, '.');
        $isPlain = !str_contains(strtolower($text), 'e');

        return new self((float) $text, $at, $isPlain ? ($point === false ? 0 : strlen($text) - $point - 1) : null);
    }

    public static function text(string $text, int $at): self
    {
        return new self($text, $at, null);
    }

    public function kind(): Kind
    {
        return is_string($this->value) ? Kind::Text : Kind::Number;
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
        return array_fill(0, $rows->count(), $this->value);
    }

    public function parts(): array
    {
        return [];
    }
}
