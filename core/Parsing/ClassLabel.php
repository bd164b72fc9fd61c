<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

use Brick\Math\BigDecimal;

/**
 * A class as its label states it: `12-17`, `12–17`, `12 to 17`, `12 through 17`, `10 to less than 20`, `10 and under 20`, `12 ≤ x < 18`,
 * `[12, 18)`, `under 6`, `up to 6`, `x < 6`, `48 and over`, `48 or above`, `48 & up`, `48+ years`, `> 47`, `over 5 to 10`, or a single value `0`; with units, thousands and millions in words or as `5k`,
 * currency signs, minus signs, marks between thousands and decimal commas. `ClassLabels` reads those of a whole column.
 */
final readonly class ClassLabel
{
    private const CURRENCIES = '/\p{Sc}|\b(?:USD|EUR|GBP|CHF|JPY)\b/u';
    private const HYPHENS = '[-–—−‐‑]|\.{2,3}|…';
    private const WORDS_BETWEEN = 'to|through|thru|until|til|till|bis|à|a|al|hasta|tot';
    private const WORDS_FROM = 'from|von|ab|de|da|desde|del|van';
    private const MORE_THAN = 'over|above|exceeding|(?:more|greater|higher|larger) than|über|mehr als|>';
    private const AT_MOST = '(?:but |and |und )?(?:up to|at most|(?:no|not) (?:more than|over|above|exceeding)|bis(?: zu)?|≤|<=)';
    /** What a number is multiplied with by the word or letter behind it; million by its letter only beside a currency. */
    private const SCALES = ['/^(?:k|thousands?|tsd\.?)$/iu' => 1000, '/^(?:m|millions?|mio\.?|mln|mn)$/iu' => 1_000_000];
    private const LESS_THAN = 'less than|under|below|fewer than|lower than|unter|weniger als|<';
    /** Words that are no unit. */
    private const NO_UNIT = self::WORDS_BETWEEN . '|and|or|und|oder|et|ou|y|o|e|en|of|plus|but|up|over|above|under|below|less|fewer|more|than|upwards?|from|x';
    /** Words before a bound in several languages, and whether the bound itself is inside. */
    private const BEFORE = [
        'under|below|(?:less|fewer|lower|smaller|shorter|younger|earlier) than|before|unter|weniger als|jünger als|moins de|menos de|meno di|minder dan|<' => ['high', false],
        'up to(?: and including)?|until|at most|(?:no|not) more than|max(?:imum|\.)?|bis|bis zu|höchstens|jusqu\'à|hasta|fino a|tot|≤|<=|=<' => ['high', true],
        'over|above|beyond|exceeding|(?:more|greater|higher|larger|longer|older|later) than|after|über|mehr als|älter als|plus de|más de|più di|meer dan|>' => ['low', false],
        'from|at least|(?:no|not) (?:less|fewer) than|min(?:imum|\.)?|ab|mindestens|à partir de|desde|da|vanaf|≥|>=|=>' => ['low', true],
    ];
    private const JOINED = '(?:and|or|&|und|oder|et|ou|y|o|e|en|of)\s*';
    private const AFTER = [
        self::JOINED . '(?:over|above|more|older|up|upwards?|higher|greater|longer|larger|later|beyond|mehr|älter|darüber|höher|plus|más|oltre|più|meer|ouder|hoger)|plus|upwards?|\+' => 'low',
        self::JOINED . '(?:under|below|less|fewer|younger|lower|smaller|shorter|earlier|before|weniger|darunter|jünger|moins|menos|meno|minder|jonger|lager)' => 'high',
    ];

    private function __construct(
        public string $label,
        public ?BigDecimal $low,
        public ?BigDecimal $high,
        /** Whether the limits are boundaries by the way they are written: `12 ≤ x < 18`. */
        public bool $areBoundaries,
        /** Whether an open class's one bound belongs to it: `48 and over` has 48, `over 48` has not. */
        public bool $isBoundInside,
        /** Whether it is one value, which is a class only beside others. */
        public bool $isSingle = false,
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

    /**
     * @param '.'|',' $decimalMark the other one may stand between thousands
     *
     * @return self|null null when it reads as no class
     */
    public static function parse(string $label, string $decimalMark = '.'): ?self
    {
        $text = str_replace(["\u{A0}", "\u{202F}", "\u{2009}"], ' ', self::withSeparator($label));
        $isMoney = preg_match(self::CURRENCIES, $text) === 1;
        $text = trim(preg_replace('/\s+/u', ' ', preg_replace(self::CURRENCIES, '', $text) ?? $text) ?? $text);
        $text = self::unscaled($text, $decimalMark, $isMoney);
        $number = self::number($decimalMark);
        $word = '(?!(?:' . self::NO_UNIT . ')(?!\p{L}))[\p{L}°%‰µ²³][\p{L}°%‰µ²³\/.]*+';
        $n = "({$number})(?:\\s?{$word}(?: {$word})?)?";
        $read = static fn(?string $text): ?BigDecimal => $text === null ? null : self::read($text, $decimalMark);
        $class = static fn(?string $low, ?string $high, bool $areBoundaries, bool $isInside = true): self => new self($label, $read($low), $read($high), $areBoundaries, $isInside);

        $less = self::LESS_THAN;
        $between = '(?:\s?(?:' . self::HYPHENS . ')\s?|\s(?:' . self::WORDS_BETWEEN . ')\s)';
        // A side without end is an open class.
        if (preg_match("/^[\\[(]\\s?(?:{$n}|[-−]\\s?(?:inf(?:inity)?|∞))\\s?;\\s?(?:{$n}|\\+?(?:inf(?:inity)?|∞))\\s?[\\])]$/iu", $text, $part, PREG_UNMATCHED_AS_NULL) === 1
            && (isset($part[1]) !== isset($part[2]))) {
            return $class($part[1] ?? null, $part[2] ?? null, false, isset($part[1]) ? $text[0] === '[' : str_ends_with($text, ']'));
        }
        $within = [
            "/^[\\[(]\\s?{$n}\\s?(?:;|,(?= )|" . ($decimalMark === '.' ? ',' : ';') . ")\\s?{$n}\\s?[\\])]$/iu" => true,
            "/^{$n}\\s?(?:≤|<=|<)\\s?\\p{L}[\\p{L} ]*\\s?(?:≤|<=|<)\\s?{$n}$/iu" => true,
            "/^{$n}(?:{$between}|,? ?(?:but|and) | up to )(?:but )?(?:{$less})\\s?{$n}$/iu" => true,
            "/^{$n},? (?:{$less})\\s?{$n}$/iu" => true,
            "/^(?:between )?{$n} and {$n}$/iu" => false,
            '/^(?:' . self::MORE_THAN . ")\\s?{$n}(?:{$between}|,? )(?:" . self::AT_MOST . ")?\\s?{$n}$/iu" => true,
            '/^(?:(?:' . self::WORDS_FROM . ") )?{$n}(?:{$between}| up to ){$n}$/iu" => false,
        ];
        foreach ($within as $pattern => $areBoundaries) {
            if (preg_match($pattern, $text, $part) === 1) {
                return $class($part[1], $part[2], $areBoundaries);
            }
        }
        // "x < 6" and "6 > x" say as much as "< 6".
        $turned = ['<' => '>', '>' => '<', '≤' => '≥', '≥' => '≤', '<=' => '>=', '>=' => '<='];
        if (preg_match("/^{$n}\\s?(<=|>=|[<>≤≥])\\s?\\p{L}[\\p{L} ]*$/iu", $text, $part) === 1) {
            $text = $turned[$part[2]] . $part[1];
        }
        foreach (self::BEFORE as $words => [$side, $isInside]) {
            if (preg_match("/^(?:\\p{L}[\\p{L} ]*\\s?(?=[<>≤≥=]))?(?:{$words})\\s?{$n}$/iu", $text, $part) === 1) {
                return $class($side === 'low' ? $part[1] : null, $side === 'high' ? $part[1] : null, false, $isInside);
            }
        }
        foreach (self::AFTER as $words => $side) {
            if (preg_match("/^{$n}\\s?(?:{$words})(?:\\s?{$word}(?: {$word})?)?$/iu", $text, $part) === 1) {
                return $class($side === 'low' ? $part[1] : null, $side === 'high' ? $part[1] : null, false);
            }
        }
        $value = preg_match("/^{$n}$/iu", $text, $part) === 1 ? $read($part[1]) : null;

        return $value === null ? null : new self($label, $value, $value, false, true, true);
    }

    /** From limits that are known; null = open on that side. */
    public static function of(string $label, ?BigDecimal $low, ?BigDecimal $high, bool $areBoundaries): self
    {
        return new self($label, $low, $high, $areBoundaries, true);
    }

    /** In brackets the only comma stands between the bounds, whatever stands around it: `[0,5)`. */
    public static function withSeparator(string $label): string
    {
        return preg_match('/^\s*[\[(][^,;]*,[^,;]*[\])]\s*$/u', $label) === 1 ? str_replace(',', '; ', $label) : $label;
    }

    /** With numbers in thousands or millions written out. What stands behind the last number of a range holds for both: `1-2k`. */
    private static function unscaled(string $text, string $decimalMark, bool $isMoney): string
    {
        // A sign before it may be the hyphen of a range, and stays as it is.
        $number = str_replace('[-−+]?', '', self::number($decimalMark));
        $scale = '\s?(?:thousands?|tsd\.?|millions?|mio\.?|mln|mn)|k' . ($isMoney ? '|m' : '');
        if (preg_match_all("/({$number})({$scale})?(?![\p{L}\d])/iu", $text, $found, PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL | PREG_OFFSET_CAPTURE) < 1) {
            return $text;
        }
        $last = $found[count($found) - 1];
        foreach (array_reverse($found) as $part) {
            $value = self::read((string) $part[1][0], $decimalMark);
            $word = $part[2][0] ?? ($last[2][0] !== null && $value->isLessThan(self::read((string) $last[1][0], $decimalMark)) ? $last[2][0] : null);
            foreach ($word === null ? [] : self::SCALES as $pattern => $times) {
                if (preg_match($pattern, trim((string) $word)) === 1) {
                    $text = substr_replace($text, str_replace('.', $decimalMark, (string) $value->multipliedBy($times)->stripTrailingZeros()), $part[0][1], strlen((string) $part[0][0]));
                }
            }
        }

        return $text;
    }

    private static function number(string $decimalMark): string
    {
        $group = $decimalMark === '.' ? "[,'’ ]" : "[.'’ ]";
        $mark = preg_quote($decimalMark, '/');

        return "[-−+]?(?:\\d{1,3}(?:{$group}\\d{3})+(?!\\d)|\\d{1,15})(?:{$mark}\\d{1,9})?|[-−+]?{$mark}\\d{1,9}";
    }

    private static function read(string $text, string $decimalMark): BigDecimal
    {
        $plain = str_replace(['−', $decimalMark === '.' ? ',' : '.', "'", '’', ' ', '+'], ['-', '', '', '', '', ''], $text);
        $plain = str_replace(',', '.', $plain);

        return BigDecimal::of(preg_replace('/^(-?)\./', '${1}0.', $plain) ?? $plain);
    }
}
