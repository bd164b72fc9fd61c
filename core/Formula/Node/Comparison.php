<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use Brick\Math\BigDecimal;
use RowTally\Core\Formula\Decimals;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Rows;

/** Two numbers or two texts compared. Where one of them is missing, so is the answer. Texts are compared letter by letter. */
final readonly class Comparison implements Node
{
    public function __construct(
        private string $sign,
        private Node $left,
        private Node $right,
        private int $at,
    ) {}

    public function kind(): Kind
    {
        return Kind::Truth;
    }

    public function at(): int
    {
        return $this->at;
    }

    public function decimals(): ?int
    {
        return null;
    }

    public function of(Rows $rows): array
    {
        $left = $this->left->of($rows);
        $right = $this->right->of($rows);
        $results = [];
        foreach ($left as $i => $a) {
            $b = $right[$i];
            $results[] = $a === null || $b === null ? null : $this->holds(self::order($a, $b));
        }

        return $results;
    }

    public function parts(): array
    {
        return [$this->left, $this->right];
    }

    /** Decimals of many digits are compared as they stand, not as the doubles next to them. */
    private static function order(float|BigDecimal|string|bool $a, float|BigDecimal|string|bool $b): int
    {
        if (is_string($a) && is_string($b)) {
            return strcmp($a, $b);
        }
        /** @var float|BigDecimal $a */
        /** @var float|BigDecimal $b */
        return Decimals::order($a, $b);
    }

    private function holds(int $order): bool
    {
        return match ($this->sign) {
            '=' => $order === 0,
            '<>' => $order !== 0,
            '<' => $order < 0,
            '<=' => $order <= 0,
            '>' => $order > 0,
            default => $order >= 0,
        };
    }
}
