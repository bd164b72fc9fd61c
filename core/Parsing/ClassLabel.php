<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

use Brick\Math\BigDecimal;

/**
 * A class as its label states it: `12-17`, `12–17`, `12 to 17`, `12 bis 17`, `12 ≤ x < 18`, `[12, 18)`, `under 6`, `up to 6`, `48 and over`, `48+`,
 * `> 47`, with units, signs and decimal commas.
 */
final readonly class ClassLabel
{
    private const NUMBER = '([-−]?\d{1,15}(?:[.,]\d{1,9})?)';
    /** A word that parts two limits is no unit. */
    private const UNIT = '(?:(?!\s+(?:to|bis|à|a|al|tot|til|till)\s)\s*[\p{L}°%µ²³\/.]+)?';
    private const BETWEEN = '(?:\s*(?:-|–|—|−|‐|‑|\.\.|…)\s*|\s+(?:to|bis|à|a|al|tot|til|till)\s+)';
    /** Words before a bound in several languages, and whether the bound itself is inside. */
    private const BEFORE = [
        'under|below|less than|fewer than|unter|weniger als|moins de|menos de|meno di|minder dan|<' => ['high', false],
        'up to|at most|bis|bis zu|höchstens|jusqu\'à|hasta|fino a|tot|≤|<=' => ['high', true],
        'over|above|more than|über|mehr als|plus de|más de|più di|meer dan|>' => ['low', false],
        'from|at least|ab|mindestens|à partir de|desde|da|vanaf|≥|>=' => ['low', true],
    ];
    private const AFTER = [
        'and (?:over|above|more|older|up)|or (?:over|more|older)|und (?:mehr|älter|darüber)|et plus|y más|e oltre|en (?:meer|ouder)|plus|\+' => 'low',
        'and (?:under|below|less|younger)|or (?:under|less|fewer)|und (?:weniger|darunter)|et moins|y menos|e meno' => 'high',
    ];

    private function __construct(
        public string $label,
        public ?BigDecimal $low,
        public ?BigDecimal $high,
        /** Whether the limits are boundaries by the way they are written: `12 ≤ x < 18`. */
        public bool $areBoundaries,
        /** Whether an open class's one bound belongs to it: `48 and over` has 48, `over 48` has not. */
        public bool $isBoundInside,
    ) {}

    /** The label of a class by its limits as they were typed; a blank one is an open side, both make none. */
    public static function text(string $low, string $high): string
    {
        [$low, $high] = [trim($low), trim($high)];

        return match (true) {
            $low === '' && $high === '' => '',
            $low === '' => "up to {$high}",
            $high === '' => "{$low} and over",
            default => "{$low} to {$high}",
        };
    }

    /** @return self|null null when it reads as no class */
    public static function parse(string $label): ?self
    {
        $text = trim(str_replace(["\u{A0}", "\u{202F}", "\u{2009}"], ' ', $label));
        $n = self::NUMBER;
        $u = self::UNIT;
        if (preg_match("/^([\\[(])\\s*{$n}{$u}\\s*[;,]\\s*{$n}{$u}\\s*([\\])])$/u", $text, $part) === 1
            || preg_match("/^(){$n}{$u}\\s*(?:≤|<=|<)\\s*\\p{L}+\\s*(?:≤|<=|<)\\s*{$n}{$u}()$/u", $text, $part) === 1) {
            return new self($label, self::number($part[2]), self::number($part[3]), true, true);
        }
        if (preg_match("/^{$n}{$u}" . self::BETWEEN . "(?:under |below |unter )?{$n}{$u}$/u", $text, $part) === 1) {
            return new self($label, self::number($part[1]), self::number($part[2]), preg_match('/(under|below|unter)\s/u', $text) === 1, true);
        }
        foreach (self::BEFORE as $words => [$side, $isInside]) {
            if (preg_match("/^(?:{$words})\\s*{$n}{$u}$/iu", $text, $part) === 1) {
                $bound = self::number($part[1]);

                return new self($label, $side === 'low' ? $bound : null, $side === 'high' ? $bound : null, false, $isInside);
            }
        }
        foreach (self::AFTER as $words => $side) {
            if (preg_match("/^{$n}{$u}\\s*(?:{$words})$/iu", $text, $part) === 1) {
                $bound = self::number($part[1]);

                return new self($label, $side === 'low' ? $bound : null, $side === 'high' ? $bound : null, false, true);
            }
        }

        return null;
    }

    /** From two columns; null = open on that side. */
    public static function ofLimits(?string $low, ?string $high): self
    {
        return new self(($low ?? '') . '–' . ($high ?? ''), $low === null ? null : self::number($low), $high === null ? null : self::number($high), false, true);
    }

    private static function number(string $text): BigDecimal
    {
        return BigDecimal::of(str_replace(['−', ','], ['-', '.'], $text));
    }
}
