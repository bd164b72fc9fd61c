<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Display\DecimalText;
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

    /**
     * As it is read first.
     *
     * @throws NotUnderstood when it is no number
     */
    public static function of(string $text): self
    {
        return self::readings($text)[0];
    }

    /**
     * Every way to read it: "1,234" may be a little more than one, or a thousand and more.
     *
     * @return non-empty-list<self>
     *
     * @throws NotUnderstood when it is no number
     */
    public static function readings(string $text): array
    {
        $plain = str_replace(["\u{2212}", ' ', "\u{A0}", "\u{202F}", "'", '’'], ['-', '', '', '', '', ''], trim($text));
        if (preg_match('/^(-?)([1-9]\d{0,2}),(\d{3})(%?)$/', $plain, $part) === 1) {
            return [self::made($part[1], $part[2], $part[3], $part[4]), self::made($part[1], $part[2] . $part[3], '', $part[4])];
        }
        $whole = '[1-9]\d{0,2}(?:,\d{3})+|\d{1,3}(?:\.\d{3}){2,}|\d{1,3}(?:\.\d{3})+(?=,)|\d{0,15}';
        if (preg_match("/^(-?)({$whole})(?:[.,](\\d{1,12}))?(%?)\$/", $plain, $part) !== 1 || $part[2] . $part[3] === '') {
            throw NotUnderstood::noNumber($text);
        }

        return [self::made($part[1], str_replace([',', '.'], '', $part[2]), $part[3], $part[4])];
    }

    /**
     * How a text was read, where that is not plain from it.
     *
     * @param non-empty-list<self> $readings
     */
    public static function inWords(string $text, array $readings): ?string
    {
        $shown = array_map(static fn(self $stated): string => DecimalText::whole($stated->value) . ($stated->isPercent ? ' %' : ''), $readings);
        $hasMarks = preg_match('/[,\'’]|\..*\./u', $text) === 1;

        return count($shown) > 1
            ? 'Read as ' . implode(' and as ', $shown) . ': both were tried.'
            : ($hasMarks ? "Read as {$shown[0]}." : null);
    }

    private static function made(string $sign, string $whole, string $decimals, string $percent): self
    {
        return new self(BigDecimal::of($sign . ($whole === '' ? '0' : $whole) . ($decimals === '' ? '' : ".{$decimals}")), $percent === '%');
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
