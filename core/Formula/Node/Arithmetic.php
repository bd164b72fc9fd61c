<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Formula\Decimals;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Rows;
use RowTally\Core\Values\Exact;

/**
 * Two numbers made one by + − × / mod or ^.
 *
 * Of decimals, sums, differences, products, whole powers and remainders are decimals, exactly; so is a quotient that ends, and any
 * other is the double nearest to it. mod takes the sign of the divisor, so that 7 mod 2.5 is 2 and −7 mod 3 is 2.
 */
final readonly class Arithmetic implements Node
{
    private const HIGHEST_POWER = 18;

    /** Decimals of every result, and of both sides; null where they are not bounded. */
    private ?int $decimals;
    private ?int $ofSides;

    public function __construct(
        public string $sign,
        private Node $left,
        private Node $right,
        private int $at,
    ) {
        $left = $this->left->decimals();
        $right = $this->right->decimals();
        $this->ofSides = $left === null || $right === null ? null : max($left, $right);
        $decimals = $left === null || $right === null ? null : match ($this->sign) {
            '+', '-', 'mod' => max($left, $right),
            '*' => $left + $right,
            '/' => $this->ofQuotient($left),
            default => $this->ofPower($left),
        };
        $this->decimals = $decimals === null || $decimals > Decimals::MOST ? null : $decimals;
    }

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
        return $this->decimals;
    }

    public function of(Rows $rows): array
    {
        /** @var list<float|BigDecimal|null> $left */
        $left = $this->left->of($rows);
        /** @var list<float|BigDecimal|null> $right */
        $right = $this->right->of($rows);
        $results = [];
        foreach ($left as $i => $a) {
            $b = $right[$i];
            $results[] = $a === null || $b === null ? null : $this->result($a, $b, $rows);
        }

        return $results;
    }

    public function parts(): array
    {
        return [$this->left, $this->right];
    }

    /** Of a quotient by a number written out whose part of one ends. */
    private function ofQuotient(int $ofLeft): ?int
    {
        $divisor = $this->right instanceof Fixed ? $this->right->exact() : null;
        if ($divisor === null || $divisor->isZero()) {
            return null;
        }
        $divisor = $divisor->abs()->stripTrailingZeros();
        $unscaled = $divisor->getUnscaledValue();
        $more = $unscaled->isLessThan(PHP_INT_MAX) ? Decimals::ofPart($unscaled->toInt()) : null;

        return $more === null ? null : max(0, $ofLeft + $more - $divisor->getScale());
    }

    private function ofPower(int $ofLeft): ?int
    {
        $power = $this->right instanceof Fixed ? $this->right->exact() : null;
        $isWhole = $power !== null && $power->isGreaterThanOrEqualTo(0) && $power->isLessThanOrEqualTo(self::HIGHEST_POWER) && $power->isEqualTo($power->toScale(0, RoundingMode::DOWN));

        return $isWhole ? $ofLeft * $power->toInt() : null;
    }

    private function result(float|BigDecimal $a, float|BigDecimal $b, Rows $rows): float|BigDecimal|null
    {
        if (($this->sign === '/' || $this->sign === 'mod') && Decimals::double($b) === 0.0) {
            $rows->noResult('division by zero');

            return null;
        }
        if (is_float($a) && is_float($b) && ($quick = $this->quick($a, $b)) !== null) {
            return $quick;
        }
        if ($this->decimals !== null) {
            return Decimals::plain($this->exactly(Decimals::exact($a), Decimals::exact($b), $this->decimals));
        }
        if ($this->ofSides !== null && $this->sign === '/') {
            return $this->finite(Exact::toFloat(Decimals::exact($a)->toBigRational()->dividedBy(Decimals::exact($b))) ?? 0.0, $rows);
        }

        return $this->finite($this->ofDoubles(Decimals::double($a), Decimals::double($b)), $rows);
    }

    /** Of decimals of few digits, by doubles that hold every step of it; null where they do not. */
    private function quick(float $a, float $b): ?float
    {
        if ($this->decimals !== null && in_array($this->sign, ['+', '-', '*'], true)) {
            $result = $this->sign === '+' ? $a + $b : ($this->sign === '-' ? $a - $b : $a * $b);

            return abs($result) * 10.0 ** $this->decimals < Decimals::EXACT_BELOW ? round($result, $this->decimals) + 0.0 : null;
        }
        if ($this->ofSides === null || $this->sign === '^') {
            return null;
        }
        // Two whole numbers: their quotient is rounded once, their remainder not at all.
        [$over, $under] = [Decimals::unscaled($a, $this->ofSides), Decimals::unscaled($b, $this->ofSides)];
        if ($over === null || $under === null) {
            return null;
        }

        return $this->sign === '/' ? $over / $under + 0.0 : self::remainder((int) $over, (int) $under) / 10.0 ** $this->ofSides + 0.0;
    }

    private static function remainder(int $over, int $under): int
    {
        $rest = $over % $under;

        return $rest !== 0 && ($rest < 0) !== ($under < 0) ? $rest + $under : $rest;
    }

    private function exactly(BigDecimal $a, BigDecimal $b, int $decimals): BigDecimal
    {
        return match ($this->sign) {
            '+' => $a->plus($b),
            '-' => $a->minus($b),
            '*' => $a->multipliedBy($b),
            '/' => $a->dividedBy($b, $decimals, RoundingMode::HALF_UP),
            'mod' => $a->minus($b->multipliedBy($a->dividedBy($b, 0, RoundingMode::FLOOR))),
            default => $a->power($b->toInt()),
        };
    }

    private function ofDoubles(float $a, float $b): float
    {
        return match ($this->sign) {
            '+' => $a + $b,
            '-' => $a - $b,
            '*' => $a * $b,
            '/' => $a / $b,
            'mod' => $a - $b * floor($a / $b),
            default => $a ** $b,
        };
    }

    private function finite(float $result, Rows $rows): ?float
    {
        if (is_finite($result)) {
            return $result;
        }
        $rows->noResult('the result is too large, or no real number');

        return null;
    }
}
