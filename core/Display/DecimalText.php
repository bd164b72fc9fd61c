<?php

declare(strict_types=1);

namespace RowTally\Core\Display;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Values\Exact;

/**
 * A number as it is shown, with the marks in force (`NumberMarks`). The only place where anything is rounded for the eye.
 *
 * Rounding is half away from zero on the decimal text of the double, as a person rounds what they see: 2.675 with two decimals
 * is 2.68. A true minus sign; never −0. Numbers that plain digits would make unreadable are shown as 1.25 × 10⁹.
 */
final class DecimalText
{
    private const MAX_DECIMALS = 10;
    private const PLAIN_BELOW = '1e15';
    private const SIGNIFICANT = 6;
    /** Below 10^15; and digits that a machine integer holds whatever they are. */
    private const PLAIN_DIGITS = 15;
    private const MACHINE_DIGITS = 18;
    private const SUPERSCRIPTS = ['0' => '⁰', '1' => '¹', '2' => '²', '3' => '³', '4' => '⁴', '5' => '⁵', '6' => '⁶', '7' => '⁷', '8' => '⁸', '9' => '⁹', '-' => '⁻'];

    /** @param int|null $decimals null = as many as the number has, for doubles: six significant digits */
    public static function of(int|float $value, ?int $decimals): string
    {
        $text = is_int($value) ? (string) $value : Exact::shortestText($value);
        if ($decimals !== null && $decimals <= self::MAX_DECIMALS && ($quick = self::rounded($text, $decimals)) !== null) {
            return $quick;
        }
        $number = BigDecimal::of($text);
        $size = $number->abs();
        if ($size->isGreaterThanOrEqualTo(self::PLAIN_BELOW)) {
            return self::scientific($number);
        }
        $decimals ??= max(0, self::SIGNIFICANT - 1 - self::exponent($number));
        if ($decimals > self::MAX_DECIMALS && !$size->isZero() && $size->isLessThan('1e-4')) {
            return self::scientific($number);
        }

        return self::plain($number->toScale(min($decimals, self::MAX_DECIMALS), RoundingMode::HALF_UP));
    }

    /** The usual case, in the digits of the text alone; null where they are too many for a machine integer, or in powers of ten. */
    private static function rounded(string $text, int $decimals): ?string
    {
        $digits = ltrim($text, '-');
        [$whole, $fraction] = [...explode('.', $digits, 2), ''];
        if (strlen($whole) + $decimals > self::MACHINE_DIGITS || strlen($whole) > self::PLAIN_DIGITS || !ctype_digit($whole . $fraction)) {
            return null;
        }
        $unscaled = (int) ($whole . str_pad(substr($fraction, 0, $decimals), $decimals, '0')) + (($fraction[$decimals] ?? '0') >= '5' ? 1 : 0);
        $shown = str_pad((string) $unscaled, $decimals + 1, '0', STR_PAD_LEFT);

        return NumberMarks::inForce()->written(($unscaled !== 0 && $text[0] === '-' ? '−' : '') . ($decimals === 0 ? $shown : substr($shown, 0, -$decimals) . '.' . substr($shown, -$decimals)));
    }

    /** With so many significant digits, zeros at the end kept: 0.30 with two. */
    public static function significant(int|float $value, int $digits): string
    {
        $number = BigDecimal::of(is_int($value) ? $value : Exact::shortestText($value));
        if ($number->isZero()) {
            return '0';
        }
        $rounded = self::roundedAt($number, $digits - 1 - self::exponent($number));
        // 9.99 with two digits has become 10.0, which is one digit too many.
        $rounded = self::roundedAt($rounded, $digits - 1 - self::exponent($rounded));
        $exponent = self::exponent($rounded);
        if ($exponent >= 15 || $exponent < -4) {
            return self::scientific($rounded, $digits);
        }

        return self::plain($rounded);
    }

    /** Half away from zero at a decimal, or before the point: −2 is hundreds. */
    private static function roundedAt(BigDecimal $number, int $scale): BigDecimal
    {
        if ($scale >= 0) {
            return $number->toScale($scale, RoundingMode::HALF_UP);
        }
        $unit = BigDecimal::of(10)->power(-$scale);

        return $number->dividedBy($unit, 0, RoundingMode::HALF_UP)->multipliedBy($unit);
    }

    public static function plain(BigDecimal $number): string
    {
        return NumberMarks::inForce()->written((string) ($number->isZero() ? $number->abs() : $number));
    }

    /** All digits of a number, none rounded. */
    public static function whole(BigDecimal|float|int $number): string
    {
        return NumberMarks::inForce()->written($number instanceof BigDecimal ? Exact::plainDecimal($number) : Exact::plainText((float) $number));
    }

    private static function exponent(BigDecimal $number): int
    {
        return $number->isZero() ? 0 : strlen((string) $number->abs()->getUnscaledValue()) - $number->getScale() - 1;
    }

    private static function scientific(BigDecimal $number, int $digits = self::SIGNIFICANT): string
    {
        $exponent = self::exponent($number);
        $mantissa = BigDecimal::ofUnscaledValue($number->getUnscaledValue(), $number->getScale() + $exponent)
            ->toScale($digits - 1, RoundingMode::HALF_UP)
            ->stripTrailingZeros();

        return self::plain($mantissa) . ' × 10' . strtr((string) $exponent, self::SUPERSCRIPTS);
    }
}
