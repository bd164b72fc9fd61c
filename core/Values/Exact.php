<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;

/**
 * Turns an exact ratio into the double nearest to it, once, at the end of a calculation.
 *
 * Accuracy    30 significant decimal digits and a sticky digit go into PHP's correctly rounding text-to-double conversion,
 *             so the answer is the correctly rounded double (a tie closer than 1e-30 relative aside).
 * Undefined   null when the true value is beyond the doubles, or not zero and rounded to it. Below 2.2e-308 doubles have fewer digits.
 * Cost        one big division or integer square root of at most some hundred digits.
 */
final class Exact
{
    private const DIGITS = 30;
    private const DIGITS_OF_A_DOUBLE = 15;
    private const DIGITS_OF_AN_INTEGER = 18;
    private const ROOT_DIGITS = 60;

    public static function toFloat(BigRational $ratio): ?float
    {
        if ($ratio->getSign() === 0) {
            return 0.0;
        }
        $numerator = $ratio->getNumerator();
        $denominator = $ratio->getDenominator();
        $texts = [(string) $numerator, (string) $denominator];
        if (max(strlen($texts[0]), strlen($texts[1])) <= self::DIGITS_OF_A_DOUBLE) {
            // Both are doubles, and the quotient of two doubles is rounded correctly.
            return (float) $texts[0] / (float) $texts[1];
        }
        $numerator = $numerator->abs();
        $shift = self::DIGITS - (self::digits($numerator) - self::digits($denominator));
        [$quotient, $remainder] = $shift >= 0
            ? $numerator->multipliedBy(BigInteger::ten()->power($shift))->quotientAndRemainder($denominator)
            : $numerator->quotientAndRemainder($denominator->multipliedBy(BigInteger::ten()->power(-$shift)));

        return self::fromDigits($ratio->getSign() < 0, $quotient, $remainder->isZero(), -$shift);
    }

    /** The double nearest to a ratio, zero and infinity included: to compare with. */
    public static function near(BigRational $ratio): float
    {
        return self::toFloat($ratio) ?? ($ratio->abs()->isLessThan(1) ? 0.0 : $ratio->getSign() * INF);
    }

    /** The double nearest to a decimal; the outermost ones for what lies beyond them. */
    public static function clamped(BigDecimal $number): float
    {
        return max(-PHP_FLOAT_MAX, min(PHP_FLOAT_MAX, (float) (string) $number));
    }

    /** The same ratio in lowest terms; by machine integers where they hold it, which is ten times faster. */
    public static function simplest(BigRational $ratio): BigRational
    {
        $texts = [(string) $ratio->getNumerator(), (string) $ratio->getDenominator()];
        if (max(strlen($texts[0]), strlen($texts[1])) > self::DIGITS_OF_AN_INTEGER) {
            return $ratio->simplified();
        }
        [$numerator, $denominator] = [(int) $texts[0], (int) $texts[1]];
        $divisor = $denominator;
        $rest = $numerator % $denominator;
        while ($rest !== 0) {
            [$divisor, $rest] = [$rest, $divisor % $rest];
        }
        $divisor = abs($divisor);

        return $divisor === 1 ? $ratio : BigRational::nd(intdiv($numerator, $divisor), intdiv($denominator, $divisor));
    }

    /**
     * The square root of a ratio that is not negative.
     */
    public static function squareRoot(BigRational $ratio): ?float
    {
        if ($ratio->getSign() === 0) {
            return 0.0;
        }
        [$root, $isExact, $exponent] = self::rootDigits($ratio, self::DIGITS);

        return self::fromDigits(false, $root, $isExact, $exponent);
    }

    /**
     * The same as a ratio: exact where the root is a ratio of whole numbers, otherwise a little too small, in the 60th digit.
     */
    public static function squareRootRatio(BigRational $ratio): BigRational
    {
        if ($ratio->getSign() === 0) {
            return BigRational::zero();
        }
        $simple = $ratio->simplified();
        [$over, $under] = [$simple->getNumerator()->sqrt(), $simple->getDenominator()->sqrt()];
        $rational = BigRational::nd($over, $under);
        if ($rational->multipliedBy($rational)->isEqualTo($simple)) {
            return $rational;
        }
        [$root, , $exponent] = self::rootDigits($ratio, self::ROOT_DIGITS);

        return BigRational::of(BigDecimal::ofUnscaledValue($root, -$exponent));
    }

    /** @return array{BigInteger, bool, int} digits of the root cut off, whether nothing was cut off, and the power of ten of the last */
    private static function rootDigits(BigRational $ratio, int $digits): array
    {
        $numerator = $ratio->getNumerator();
        $denominator = $ratio->getDenominator();
        // Twice the digits under the root; the shift must be even so that its root is a power of ten.
        $shift = 2 * $digits - (self::digits($numerator) - self::digits($denominator));
        $shift += $shift % 2;
        [$square, $remainder] = $shift >= 0
            ? $numerator->multipliedBy(BigInteger::ten()->power($shift))->quotientAndRemainder($denominator)
            : $numerator->quotientAndRemainder($denominator->multipliedBy(BigInteger::ten()->power(-$shift)));
        $root = $square->sqrt();

        return [$root, $remainder->isZero() && $root->multipliedBy($root)->isEqualTo($square), intdiv(-$shift, 2)];
    }

    /**
     * The decimal text of a double that reads back as the same double, the shortest there is.
     */
    public static function shortestText(float $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    /** The same without ".0" behind a whole number, as a cell shows it. */
    public static function plainText(float $value): string
    {
        $text = self::shortestText($value);

        return str_ends_with($text, '.0') ? substr($text, 0, -2) : $text;
    }

    /** A decimal without zeros at its end: 2.50 is "2.5", 2E+1 is "20". */
    public static function plainDecimal(BigDecimal $value): string
    {
        $plain = $value->stripTrailingZeros();

        return (string) ($plain->getScale() < 0 ? $plain->toScale(0) : $plain);
    }

    private static function digits(BigInteger $number): int
    {
        return strlen((string) $number);
    }

    private static function fromDigits(bool $negative, BigInteger $digits, bool $isExact, int $exponent): ?float
    {
        $text = (string) $digits;
        if (!$isExact) {
            $text .= '1';
            --$exponent;
        }
        $value = (float) (($negative ? '-' : '') . $text . 'e' . $exponent);

        return is_infinite($value) || $value === 0.0 ? null : $value;
    }
}
