<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use PHPUnit\Framework\Assert;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/** Assertions that are strict about type: a null, a true or a text never passes for a number. */
trait FigureAssertions
{
    public static function assertWithinUlps(float $expected, mixed $got, int $ulps, string $what = ''): void
    {
        Assert::assertIsFloat($got, $what);
        $distance = abs(self::place($expected) - self::place($got));
        Assert::assertLessThanOrEqual($ulps, $distance, sprintf('%s: expected %s, got %s', $what, json_encode($expected), json_encode($got)));
    }

    public static function assertFigure(int|float $expected, Figure $got, string $what = ''): void
    {
        Assert::assertNull($got->reason, $what);
        Assert::assertSame($expected, $got->value, $what);
    }

    public static function assertUndefined(Reason $expected, Figure $got, string $what = ''): void
    {
        Assert::assertNull($got->value, $what);
        Assert::assertSame($expected, $got->reason, $what);
    }

    /** A double's place in the row of all doubles, so that neighbours differ by one. */
    private static function place(float $value): int
    {
        $bits = unpack('q', pack('d', $value))[1];

        return $bits < 0 ? PHP_INT_MIN - $bits : $bits;
    }
}
