<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use Brick\Math\BigDecimal;
use RowTally\Core\Formula\Decimals;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Rows;
use RowTally\Core\Formula\Token;

/** A number or a text written out. */
final readonly class Fixed implements Node
{
    private function __construct(
        public float|BigDecimal|string $value,
        private int $at,
        private ?int $decimals,
    ) {}

    /** @throws FormulaError when it is larger than a double, or smaller without being zero */
    public static function number(Token $token): self
    {
        $double = (float) $token->text;
        $isZero = strpbrk(preg_split('/e/i', $token->text)[0] ?? '', '123456789') === false;
        if (is_infinite($double) || ($double === 0.0 && !$isZero)) {
            throw FormulaError::numberOutOfRange($token);
        }
        $point = strpos($token->text, '.');
        $decimals = $point === false ? 0 : strlen($token->text) - $point - 1;
        if (stripos($token->text, 'e') !== false || $decimals > Decimals::MOST) {
            return new self($double, $token->at, null);
        }

        return new self(strlen($token->text) <= Decimals::DIGITS ? $double : Decimals::plain(BigDecimal::of($token->text)), $token->at, $decimals);
    }

    public static function text(string $text, int $at): self
    {
        return new self($text, $at, null);
    }

    public static function zero(int $at): self
    {
        return new self(0.0, $at, 0);
    }

    /** The number with the other sign. */
    public function negated(int $at): self
    {
        return new self($this->value instanceof BigDecimal ? $this->value->negated() : 0.0 - (float) $this->value, $at, $this->decimals);
    }

    /** The number as it is written; null for a text. */
    public function exact(): ?BigDecimal
    {
        return is_string($this->value) ? null : Decimals::exact($this->value);
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
