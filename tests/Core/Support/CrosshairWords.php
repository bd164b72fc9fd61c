<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use PHPUnit\Framework\Assert;
use RowTally\Core\Plots\Crosshair;

/** What a crosshair says at a place, taken apart. */
final class CrosshairWords
{
    /** @return array{percent: string, z: string|null, count: string|null} */
    public static function at(Crosshair $crosshair, int $place): array
    {
        Assert::assertSame(1, preg_match('/^(.+?): (\S+) % below(?:, z (.+?))?(?:, (\S+) in this class)?$/u', $crosshair->says[$place], $part), $crosshair->says[$place]);
        Assert::assertSame($crosshair->values[$place], $part[1]);

        return ['percent' => $part[2], 'z' => ($part[3] ?? '') === '' ? null : $part[3], 'count' => ($part[4] ?? '') === '' ? null : $part[4]];
    }
}
