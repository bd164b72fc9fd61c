<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\Internal\Calculator;
use Brick\Math\Internal\Calculator\GmpCalculator;

/**
 * How exact numbers are reckoned with: in machine integers while they hold both numbers and what becomes of them, by GMP beyond.
 *
 * Accuracy  exact either way. PHP itself tells: digits that a machine integer does not hold become a double, and so does a sum or a
 *           product that it does not hold.
 * Cost      a short sum or product takes a quarter of what GMP takes for it, and most numbers of a picture are short.
 *
 * @internal set once, in core/Values/arithmetic.php
 */
final readonly class ShortFirst extends Calculator
{
    /** A text of fewer characters is a machine integer, its sign included. */
    private const DIGITS = 19;

    private GmpCalculator $gmp;

    public function __construct()
    {
        $this->gmp = new GmpCalculator();
    }

    public function add(string $a, string $b): string
    {
        /**
         * @var numeric-string $a
         * @var numeric-string $b
         */
        $sum = $a + $b;

        return is_int($sum) ? (string) $sum : $this->gmp->add($a, $b);
    }

    public function sub(string $a, string $b): string
    {
        /**
         * @var numeric-string $a
         * @var numeric-string $b
         */
        $difference = $a - $b;

        return is_int($difference) ? (string) $difference : $this->gmp->sub($a, $b);
    }

    public function mul(string $a, string $b): string
    {
        /**
         * @var numeric-string $a
         * @var numeric-string $b
         */
        $product = $a * $b;

        return is_int($product) ? (string) $product : $this->gmp->mul($a, $b);
    }

    public function divQ(string $a, string $b): string
    {
        return self::short($a, $b) ? (string) intdiv((int) $a, (int) $b) : $this->gmp->divQ($a, $b);
    }

    public function divR(string $a, string $b): string
    {
        return self::short($a, $b) ? (string) ((int) $a % (int) $b) : $this->gmp->divR($a, $b);
    }

    public function divQR(string $a, string $b): array
    {
        return self::short($a, $b) ? [(string) intdiv((int) $a, (int) $b), (string) ((int) $a % (int) $b)] : $this->gmp->divQR($a, $b);
    }

    public function gcd(string $a, string $b): string
    {
        return $a === '1' || $b === '1' ? '1' : $this->gmp->gcd($a, $b);
    }

    public function pow(string $a, int $e): string
    {
        return $this->gmp->pow($a, $e);
    }

    public function modInverse(string $x, string $m): ?string
    {
        return $this->gmp->modInverse($x, $m);
    }

    public function modPow(string $base, string $exp, string $mod): string
    {
        return $this->gmp->modPow($base, $exp, $mod);
    }

    public function sqrt(string $n): string
    {
        return $this->gmp->sqrt($n);
    }

    /**
     * Whether both are machine integers, and neither the least of them, whose opposite is none.
     *
     * @pure
     */
    private static function short(string $a, string $b): bool
    {
        return strlen($a) < self::DIGITS && strlen($b) < self::DIGITS;
    }
}
