<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use RowTally\Core\Display\DecimalText;

/**
 * A value axis: from where to where, and ticks at round numbers with their texts. Data units, no pixels.
 */
final readonly class Axis
{
    private const TICKS = 8;
    private const LONGEST_TEXT = 12;

    /** @param list<array{at: float, text: string}> $ticks */
    private function __construct(
        public float $from,
        public float $to,
        public array $ticks,
    ) {}

    /** An axis that covers both ends, $from < $to, and begins and ends on a tick. */
    public static function covering(BigDecimal $from, BigDecimal $to): self
    {
        $step = RoundNumbers::stepAtLeast($to->minus($from)->toBigRational()->dividedBy(self::TICKS));
        $first = RoundNumbers::floorTo($from->toBigRational(), $step);
        $last = RoundNumbers::floorTo($to->toBigRational(), $step);
        if ($last->isLessThan($to)) {
            $last = $last->plus($step);
        }
        $ticks = [];
        $at = $first;
        while ($at->isLessThanOrEqualTo($last)) {
            $ticks[] = ['at' => (float) (string) $at, 'text' => self::text($at, $step)];
            $at = $at->plus($step);
        }

        return new self((float) (string) $first, (float) (string) $last, $ticks);
    }

    private static function text(BigDecimal $at, BigDecimal $step): string
    {
        $plain = DecimalText::plain($at->toScale(max(0, $step->stripTrailingZeros()->getScale())));

        return mb_strlen($plain) <= self::LONGEST_TEXT ? $plain : DecimalText::of((float) (string) $at, null);
    }
}
