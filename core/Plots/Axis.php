<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Values\Exact;

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

        return new self(Exact::clamped($first), Exact::clamped($last), self::ticks($first, $last, $step));
    }

    /** An axis from edge to edge of classes that are one value each, with ticks at values only. */
    public static function ofValues(Classes $classes): self
    {
        $ticks = $classes->ticks();
        $every = (int) max(1, ceil($classes->number / self::TICKS));

        return new self(Exact::clamped($classes->start), Exact::clamped($classes->end()), array_values(array_filter($ticks, static fn(int $i): bool => $i % $every === 0, ARRAY_FILTER_USE_KEY)));
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
            $ticks[] = ['at' => Exact::clamped($at), 'text' => self::text($at, $step)];
        }

        return $ticks;
    }

    /** A round number in plain digits while they are few. */
    public static function roundText(BigDecimal $number): string
    {
        $stripped = $number->stripTrailingZeros();
        $plain = DecimalText::plain($stripped->toScale(max(0, $stripped->getScale())));

        return mb_strlen($plain) <= self::LONGEST_TEXT ? $plain : DecimalText::of(Exact::clamped($number), null);
    }

    private static function text(BigDecimal $at, BigDecimal $step): string
    {
        $plain = DecimalText::plain($at->toScale(max(0, $step->stripTrailingZeros()->getScale())));

        return mb_strlen($plain) <= self::LONGEST_TEXT ? $plain : self::roundText($at);
    }
}
