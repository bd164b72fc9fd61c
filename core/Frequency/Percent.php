<?php

declare(strict_types=1);

namespace RowTally\Core\Frequency;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Display\DecimalText;

/**
 * A part in percent of a whole, as it is shown: one decimal, rounded once from the exact ratio, half away from zero.
 */
final class Percent
{
    private const DECIMALS = 1;

    /** @param int $whole 1 or more */
    public static function text(int $part, int $whole): string
    {
        return DecimalText::plain(BigDecimal::of($part)->multipliedBy(100)->dividedBy($whole, self::DECIMALS, RoundingMode::HALF_UP));
    }
}
