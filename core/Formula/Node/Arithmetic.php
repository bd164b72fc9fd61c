<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Rows;

/**
 * Two numbers made one by + − × / mod or ^.
 *
 * Sums, differences and products of decimals are decimals: rounded to the decimals that they can have, they are exact while
 * they have 15 digits or fewer. mod takes the sign of the divisor, so that 7 mod 2.5 is 2 and −7 mod 3 is 2.
 */
final readonly class Arithmetic implements Node
{
    private const MOST_DECIMALS = 12;
    /** Beyond this a rounded double is no exact decimal any more. */
    private const EXACT_BELOW = 1e15;

    public function __construct(
        private string $sign,
        private Node $left,
        private Node $right,
        private int $at,
    ) {}

    public function kind(): Kind
    {
        return Kind::Number;
    }

    public function at(): int
    {
        return $this->at;
    }

    public function decimals(): ?int
    {
        $left = $this->left->decimals();
        $right = $this->right->decimals();
        if ($left === null || $right === null) {
            return null;
        }
        $decimals = match ($this->sign) {
            '+', '-', 'mod' => max($left, $right),
            '*' => $left + $right,
            default => null,
        };

        return $decimals === null || $decimals > self::MOST_DECIMALS ? null : $decimals;
    }

    public function of(Rows $rows): array
    {
        /** @var list<float|null> $left */
        $left = $this->left->of($rows);
        /** @var list<float|null> $right */
        $right = $this->right->of($rows);
        $decimals = $this->decimals();
        $results = [];
        foreach ($left as $i => $a) {
            $b = $right[$i];
            $result = $a === null || $b === null ? null : $this->result($a, $b, $rows);
            $results[] = $result === null || $decimals === null || abs($result) * 10 ** $decimals >= self::EXACT_BELOW ? $result : round($result, $decimals) + 0.0;
        }

        return $results;
    }

    public function parts(): array
    {
        return [$this->left, $this->right];
    }

    private function result(float $a, float $b, Rows $rows): ?float
    {
        if ($b === 0.0 && ($this->sign === '/' || $this->sign === 'mod')) {
            $rows->noResult('division by zero');

            return null;
        }
        $result = match ($this->sign) {
            '+' => $a + $b,
            '-' => $a - $b,
            '*' => $a * $b,
            '/' => $a / $b,
            'mod' => $a - $b * floor($a / $b),
            default => $a ** $b,
        };
        if (!is_finite($result)) {
            $rows->noResult('the result is too large, or no real number');

            return null;
        }

        return $result;
    }
}
