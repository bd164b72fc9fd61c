<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use RowTally\Core\Exception\InvalidInput;

/**
 * The exact count, sum and sum of squares of some values. They merge, so chunks and groups can be added in any order.
 *
 * Definition  n = Σf, S₁ = Σ f·x, S₂ = Σ f·x², held as integers over one unit: 10^−d for decimals, 2^−1074 for doubles.
 * Accuracy    exact. Machine integers are used while their sums cannot overflow; beyond that 21-bit limbs, flushed into big
 *             integers before 2^62 can be reached.
 * Cost        one pass, O(distinct values) time, O(1) memory for decimals, O(exponents in use) for doubles.
 */
final readonly class PowerSums
{
    private const LIMB = 21;
    private const LIMB_MASK = (1 << self::LIMB) - 1;
    /** A limb product is below 2^42, and a flush comes after at most twice this many: the sums stay below 2^62. */
    private const FLUSH_AFTER = 1 << 19;
    private const SAFE = 1 << 62;
    /** Hundreds of squares of values up to it stay safe, and the sum of all that memory holds. */
    private const SQUARES_ADD_UP = 1 << 27;
    private const DOUBLE_BIAS = 1075;
    private const DOUBLE_UNIT_EXPONENT = 1074;

    private function __construct(
        public int $n,
        private BigInteger $sum,
        private BigInteger $sumOfSquares,
        /** null: the unit of doubles */
        private ?int $decimals,
    ) {}

    /**
     * @param array<int, int> $values unscaled: each stands for value / 10^$decimals; a list where there are counts
     * @param list<int>|null  $counts how often each occurs; null = once each
     */
    public static function ofIntegers(array $values, ?array $counts, int $decimals): self
    {
        if ($values === []) {
            return new self(0, BigInteger::zero(), BigInteger::zero(), $decimals);
        }
        $n = $counts === null ? count($values) : array_sum($counts);
        $largest = max(abs(min($values)), abs(max($values)));
        if ($largest === 0 || ((float) $largest) ** 2 * $n < self::SAFE) {
            [$sum, $squares] = self::machineSums($values, $counts);

            return new self($n, BigInteger::of($sum), BigInteger::of($squares), $decimals);
        }

        if ($counts === null && $largest <= self::SQUARES_ADD_UP) {
            [$sum, $squares] = self::sumsInRuns($values, intdiv(self::SAFE, $largest ** 2));

            return new self($n, $sum, $squares, $decimals);
        }

        return new self($n, self::limbSum($values, $counts), self::limbSquares($values, $counts), $decimals);
    }

    /**
     * @param array<int, float> $values finite
     * @param list<int>|null    $counts how often each occurs; null = once each
     */
    public static function ofDoubles(array $values, ?array $counts): self
    {
        // A double is mantissa × 2^exponent: gather the mantissas by exponent and every sum stays whole.
        $byExponent = [];
        $countsByExponent = [];
        $n = 0;
        foreach (Packed::integers('q*', pack('d*', ...$values)) as $i => $bits) {
            $exponent = ($bits >> 52) & 0x7FF;
            $mantissa = ($bits & 0xFFFFFFFFFFFFF) | ($exponent === 0 ? 0 : 1 << 52);
            $count = $counts === null ? 1 : $counts[$i - 1];
            $n += $count;
            $byExponent[$exponent][] = $bits < 0 ? -$mantissa : $mantissa;
            $countsByExponent[$exponent][] = $count;
        }
        $sum = BigInteger::zero();
        $squares = BigInteger::zero();
        foreach ($byExponent as $exponent => $mantissas) {
            $shift = max($exponent, 1) - self::DOUBLE_BIAS + self::DOUBLE_UNIT_EXPONENT;
            $sum = $sum->plus(self::limbSum($mantissas, $countsByExponent[$exponent])->shiftedLeft($shift));
            $squares = $squares->plus(self::limbSquares($mantissas, $countsByExponent[$exponent])->shiftedLeft(2 * $shift));
        }

        return new self($n, $sum, $squares, null);
    }

    /** Back from the texts of `toTexts()`. */
    public static function fromTexts(int $n, string $sum, string $sumOfSquares, ?int $decimals): self
    {
        return new self($n, BigInteger::of($sum), BigInteger::of($sumOfSquares), $decimals);
    }

    /** @return array{sum: string, squares: string} whole numbers in the unit of the values, for the store */
    public function toTexts(): array
    {
        return ['sum' => (string) $this->sum, 'squares' => (string) $this->sumOfSquares];
    }

    /**
     * @throws InvalidInput when one side holds decimals and the other doubles
     */
    public function plus(self $other): self
    {
        if (($this->decimals === null) !== ($other->decimals === null)) {
            throw InvalidInput::differentUnits();
        }
        $decimals = max($this->decimals, $other->decimals);
        $left = $this->withDecimals($decimals);
        $right = $other->withDecimals($decimals);

        return new self(
            $left->n + $right->n,
            $left->sum->plus($right->sum),
            $left->sumOfSquares->plus($right->sumOfSquares),
            $decimals,
        );
    }

    /**
     * The sums without those of values that were among them.
     *
     * @throws InvalidInput when one side holds decimals and the other doubles
     */
    public function minus(self $other): self
    {
        return $this->plus(new self(-$other->n, $other->sum->negated(), $other->sumOfSquares->negated(), $other->decimals));
    }

    public function sum(): BigRational
    {
        return BigRational::nd($this->sum, $this->unitDenominator());
    }

    public function sumOfSquares(): BigRational
    {
        $unit = $this->unitDenominator();

        return BigRational::nd($this->sumOfSquares, $unit->multipliedBy($unit));
    }

    /** @return BigRational Σ(x − x̄)², exactly; 0 when there are no values */
    public function squaredDeviations(): BigRational
    {
        if ($this->n === 0) {
            return BigRational::zero();
        }
        $unit = $this->unitDenominator();

        return BigRational::nd(
            $this->sumOfSquares->multipliedBy($this->n)->minus($this->sum->multipliedBy($this->sum)),
            $unit->multipliedBy($unit)->multipliedBy($this->n),
        );
    }

    private function unitDenominator(): BigInteger
    {
        return $this->decimals === null
            ? BigInteger::one()->shiftedLeft(self::DOUBLE_UNIT_EXPONENT)
            : BigInteger::ten()->power($this->decimals);
    }

    private function withDecimals(?int $decimals): self
    {
        if ($decimals === null || $this->decimals === null || $decimals === $this->decimals) {
            return $this;
        }
        $factor = BigInteger::ten()->power($decimals - $this->decimals);

        return new self(
            $this->n,
            $this->sum->multipliedBy($factor),
            $this->sumOfSquares->multipliedBy($factor)->multipliedBy($factor),
            $decimals,
        );
    }

    /**
     * @param array<int, int> $values
     * @param list<int>|null  $counts
     *
     * @return array{int, int}
     */
    private static function machineSums(array $values, ?array $counts): array
    {
        $sum = 0;
        $squares = 0;
        if ($counts === null) {
            foreach ($values as $value) {
                $sum += $value;
                $squares += $value * $value;
            }
        } else {
            foreach ($values as $i => $value) {
                $part = $counts[$i] * $value;
                $sum += $part;
                $squares += $part * $value;
            }
        }

        return [$sum, $squares];
    }

    /**
     * @param array<int, int> $values
     * @param int             $run    so many squares of them stay below what a machine integer holds
     *
     * @return array{BigInteger, BigInteger}
     */
    private static function sumsInRuns(array $values, int $run): array
    {
        $allSquares = BigInteger::zero();
        $sum = $squares = 0;
        $left = $run;
        foreach ($values as $value) {
            $sum += $value;
            $squares += $value * $value;
            if (--$left === 0) {
                $allSquares = $allSquares->plus($squares);
                $squares = 0;
                $left = $run;
            }
        }

        return [BigInteger::of($sum), $allSquares->plus($squares)];
    }

    /**
     * @param array<int, int> $values
     * @param list<int>|null  $counts
     */
    private static function limbSum(array $values, ?array $counts): BigInteger
    {
        $total = BigInteger::zero();
        $high = $low = $since = 0;
        foreach ($values as $i => $value) {
            $count = $counts === null ? 1 : $counts[$i];
            if ($count > self::FLUSH_AFTER) {
                $total = $total->plus(BigInteger::of($value)->multipliedBy($count));
                continue;
            }
            $high += $count * ($value >> 32);
            $low += $count * ($value & 0xFFFFFFFF);
            $since += $count;
            if ($since > self::FLUSH_AFTER) {
                $total = $total->plus(BigInteger::of($high)->shiftedLeft(32))->plus($low);
                $high = $low = $since = 0;
            }
        }

        return $total->plus(BigInteger::of($high)->shiftedLeft(32))->plus($low);
    }

    /**
     * @param array<int, int> $values
     * @param list<int>|null  $counts
     */
    private static function limbSquares(array $values, ?array $counts): BigInteger
    {
        $total = BigInteger::zero();
        $s0 = $s1 = $s2 = $s3 = $s4 = $s5 = $since = 0;
        foreach ($values as $i => $value) {
            $count = $counts === null ? 1 : $counts[$i];
            if ($count > self::FLUSH_AFTER) {
                $total = $total->plus(BigInteger::of($value)->power(2)->multipliedBy($count));
                continue;
            }
            $size = abs($value);
            $a0 = $size & self::LIMB_MASK;
            $a1 = ($size >> self::LIMB) & self::LIMB_MASK;
            $a2 = $size >> (2 * self::LIMB);
            $s0 += $count * $a0 * $a0;
            $s1 += $count * $a0 * $a1;
            $s2 += $count * $a1 * $a1;
            $s3 += $count * $a0 * $a2;
            $s4 += $count * $a1 * $a2;
            $s5 += $count * $a2 * $a2;
            $since += $count;
            if ($since > self::FLUSH_AFTER) {
                $total = $total->plus(self::limbTotal($s0, $s1, $s2, $s3, $s4, $s5));
                $s0 = $s1 = $s2 = $s3 = $s4 = $s5 = $since = 0;
            }
        }

        return $total->plus(self::limbTotal($s0, $s1, $s2, $s3, $s4, $s5));
    }

    private static function limbTotal(int $s0, int $s1, int $s2, int $s3, int $s4, int $s5): BigInteger
    {
        return BigInteger::of($s0)
            ->plus(BigInteger::of($s1)->shiftedLeft(self::LIMB + 1))
            ->plus(BigInteger::of($s2)->shiftedLeft(2 * self::LIMB))
            ->plus(BigInteger::of($s3)->shiftedLeft(2 * self::LIMB + 1))
            ->plus(BigInteger::of($s4)->shiftedLeft(3 * self::LIMB + 1))
            ->plus(BigInteger::of($s5)->shiftedLeft(4 * self::LIMB));
    }
}
