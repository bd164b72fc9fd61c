<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Values\Exact;

/**
 * A figure beside one that was stated: whether it lies within a tolerance of it.
 *
 * Definition  within [stated − t, stated + t], ends included; t absolute or in percent of the stated figure.
 * Unit        the unit of the figure.
 * Undefined   no percent of a stated 0.
 * Source      no convention but the tolerance.
 * Accuracy    decided on the decimal text of the figure.
 * Cost        O(1).
 */
final readonly class Comparison
{
    private function __construct(
        public BigDecimal $stated,
        public float $figure,
        public BigDecimal $low,
        public BigDecimal $high,
        public string $tolerance,
        public bool $isWithin,
    ) {}

    /**
     * @param string $tolerance as it was typed: `15%` or `0.5`
     *
     * @throws NotUnderstood
     */
    public static function of(float $figure, Stated $stated, string $tolerance): self
    {
        $allowed = Stated::of($tolerance);
        if ($allowed->value->isNegative()) {
            throw NotUnderstood::noTolerance($tolerance);
        }
        $reach = $allowed->isPercent ? $stated->value->abs()->multipliedBy($allowed->value)->multipliedBy('0.01') : $allowed->value;
        $low = $stated->value->minus($reach);
        $high = $stated->value->plus($reach);
        $own = BigDecimal::of(Exact::shortestText($figure));

        return new self($stated->value, $figure, $low, $high, self::plain($allowed->value) . ($allowed->isPercent ? ' %' : ''), $own->isGreaterThanOrEqualTo($low) && $own->isLessThanOrEqualTo($high));
    }

    /** "6.4 kg lies below 6.8–9.2: it is 20.0 % less than the stated 8.0, and 15 % was allowed." */
    public function sentence(string $text, ?string $unit): string
    {
        $own = BigDecimal::of(Exact::shortestText($this->figure));
        $inUnit = $unit === null ? '' : " {$unit}";
        $place = match (true) {
            $this->isWithin => 'lies within',
            $own->isLessThan($this->low) => 'lies below',
            default => 'lies above',
        };
        $by = $own->minus($this->stated);
        $how = match (true) {
            $by->isZero() => 'it is the stated ' . DecimalText::plain($this->stated),
            $this->stated->isZero() => 'it differs by ' . self::plain($by->abs()) . $inUnit . ' from the stated 0',
            default => 'it is ' . DecimalText::plain($by->abs()->multipliedBy(100)->dividedBy($this->stated->abs(), 1, RoundingMode::HALF_UP)) . ' % '
                . ($by->isNegative() ? 'less' : 'more') . ' than the stated ' . DecimalText::plain($this->stated),
        };

        return "{$text}{$inUnit} {$place} " . self::plain($this->low) . '–' . self::plain($this->high) . ": {$how}, and {$this->tolerance} was allowed.";
    }

    private static function plain(BigDecimal $number): string
    {
        return DecimalText::whole($number);
    }
}
