<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Values\ScaledBound;

final class ScaledBoundTest extends TestCase
{
    #[DataProvider('bounds')]
    public function test_a_decimal_is_brought_to_a_scale_as_by_ratios(string $bound, int $decimals, int $atLeast, int $above): void
    {
        $decimal = BigDecimal::of($bound);

        self::assertSame([$atLeast, $above], [ScaledBound::ofDecimal($decimal, $decimals, false), ScaledBound::ofDecimal($decimal, $decimals, true)]);
        self::assertSame([$atLeast, $above], [ScaledBound::atLeast($decimal->toBigRational(), $decimals), ScaledBound::above($decimal->toBigRational(), $decimals)]);
    }

    /** @return array<string, array{string, int, int, int}> */
    public static function bounds(): array
    {
        return [
            'on a whole number of the scale' => ['2.50', 2, 250, 251],
            'fewer decimals than the scale' => ['-2.5', 3, -2500, -2499],
            'more decimals, above zero' => ['2.505', 2, 251, 251],
            'more decimals, below zero' => ['-2.505', 2, -250, -250],
            'more decimals that are zeros' => ['-2.500', 1, -25, -24],
            'between zero and the first below it' => ['-0.04', 1, 0, 0],
            'no decimals' => ['7', 0, 7, 8],
            'eighteen digits' => ['123456789012345678', 0, 123456789012345678, 123456789012345679],
            'more than a machine holds' => ['1e30', 0, PHP_INT_MAX - 1, PHP_INT_MAX],
            'less than a machine holds' => ['-1e30', 2, PHP_INT_MIN, PHP_INT_MIN + 1],
            'very many decimals' => ['0.0000000000000000000000000001', 0, 1, 1],
        ];
    }
}
