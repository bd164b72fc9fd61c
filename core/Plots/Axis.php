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
        $step = self::step($from, $to);
        $first = RoundNumbers::floorTo($from->toBigRational(), $step);
        $last = RoundNumbers::floorTo($to->toBigRational(), $step);
        if ($last->isLessThan($to)) {
            $last = $last->plus($step);
        }

        return new self((float) (string) $first, (float) (string) $last, self::ticks($first, $last, $step));
    }

    /** An axis over classes that are each centred on a whole number: from edge to edge, with ticks at whole numbers only. */
    public static function ofWholeNumbers(BigDecimal $from, BigDecimal $to): self
    {
        $step = self::step($from, $to);
        if ($step->isLessThan(1)) {
            $step = BigDecimal::one();
        }
        $first = RoundNumbers::floorTo($from->toBigRational(), $step)->plus($step);

        return new self((float) (string) $from, (float) (string) $to, self::ticks($first, $to, $step));
    }

    private static function step(BigDecimal $from, BigDecimal $to): BigDecimal
    {
        return RoundNumbers::stepAtLeast($to->minus($from)->toBigRational()->dividedBy(self::TICKS));
    }

    /** @return list<array{at: float, text: string}> */
    private static function ticks(BigDecimal $first, BigDecimal $last, BigDecimal $step): array
    {
        $ticks = [];
        for ($at = $first; $at->isLessThanOrEqualTo($last); $at = $at->plus($step)) {
            $ticks[] = ['at' => (float) (string) $at, 'text' => self::text($at, $step)];
        }

        return $ticks;
    }

    /** A round number in plain digits while they are few. */
    public static function roundText(BigDecimal $number): string
    {
        $stripped = $number->stripTrailingZeros();
        $plain = DecimalText::plain($stripped->toScale(max(0, $stripped->getScale())));

        return mb_strlen($plain) <= self::LONGEST_TEXT ? $plain : DecimalText::of((float) (string) $number, null);
    }

    private static function text(BigDecimal $at, BigDecimal $step): string
    {
        $plain = DecimalText::plain($at->toScale(max(0, $step->stripTrailingZeros()->getScale())));

        return mb_strlen($plain) <= self::LONGEST_TEXT ? $plain : self::roundText($at);
    }
}
