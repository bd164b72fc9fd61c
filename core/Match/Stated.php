<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Values\Exact;

/** A figure as it was given to somebody: its typed decimals say how precisely it is known. */
final readonly class Stated
{
    private function __construct(
        public BigDecimal $value,
        /** whether it was written in percent */
        public bool $isPercent,
    ) {}

    /** @throws NotUnderstood when it is no number */
    public static function of(string $text): self
    {
        $plain = str_replace(["\u{2212}", ' ', "\u{A0}"], ['-', '', ''], trim($text));
        if (preg_match('/^(-?)(\d{1,15})(?:[.,](\d{1,12}))?(%?)$/', $plain, $part) !== 1) {
            throw NotUnderstood::noNumber($text);
        }

        return new self(BigDecimal::of($part[1] . $part[2] . ($part[3] === '' ? '' : ".{$part[3]}")), $part[4] === '%');
    }

    /** Whether a figure, rounded as this one was written, reads the same. */
    public function isRounded(float $figure): bool
    {
        $number = BigDecimal::of(Exact::shortestText($figure));

        return ($this->isPercent ? $number->multipliedBy(100) : $number)->toScale($this->value->getScale(), RoundingMode::HALF_UP)->isEqualTo($this->value);
    }

    /** How far a figure lies from it, as a share of the larger of the two. */
    public function distance(float $figure): float
    {
        $stated = $this->number();

        return $figure === $stated ? 0.0 : abs($figure - $stated) / max(abs($figure), abs($stated));
    }

    public function number(): float
    {
        return (float) (string) $this->value / ($this->isPercent ? 100.0 : 1.0);
    }
}
