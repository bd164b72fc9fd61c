<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * How the numbers of a column are written beyond plain digits: the decimal mark, a mark between thousands, and a unit or
 * percent sign that stands beside the number.
 *
 * `plain()` takes the thousands marks and the units off, and nothing else; a cell that does not fit stays as it is.
 */
final readonly class NumberStyle
{
    /** What may stand between thousands; all blanks count as one mark, and both apostrophes. */
    public const GROUP_MARKS = ['', ',', '.', ' ', "'"];
    private const BLANKS = ' \x{A0}\x{202F}\x{2009}';
    private const LONGEST_AFFIX = 12;

    private string $number;

    public function __construct(
        /** @var '.'|',' */
        public string $decimalMark = '.',
        public string $groupMark = '',
        /** @var list<string> units and signs that may stand before or after a number and are taken off */
        public array $affixes = [],
        /** Whether (5), 5- and –5 with a dash are negative. */
        public bool $negatives = false,
    ) {
        $this->number = self::pattern($decimalMark, $groupMark);
    }

    /** Whether cells need nothing taken off. */
    public function isPlain(): bool
    {
        return $this->groupMark === '' && $this->affixes === [] && !$this->negatives;
    }

    public function with(string $affix): self
    {
        return new self($this->decimalMark, $this->groupMark, array_values(array_unique([...$this->affixes, $affix])), $this->negatives);
    }

    public function withNegatives(): self
    {
        return new self($this->decimalMark, $this->groupMark, $this->affixes, true);
    }

    /**
     * The number without its sign, where a text is one that is negative in another way than with a minus before it; null otherwise.
     */
    public static function otherNegative(string $cell): ?string
    {
        // Nearly all cells are plain numbers, or have no digit at all: to try the expressions on them would take most of the time.
        $length = strlen($cell);
        $sign = $length > 0 && $cell[0] === '-' ? 1 : 0;
        if (strcspn($cell, '0123456789') === $length || $sign + strspn($cell, '0123456789.,', $sign) === $length) {
            return null;
        }
        $number = '[0-9.,](?:[0-9.,\'’' . self::BLANKS . ']*[0-9.,])?';
        $beside = '[\p{Sc}%\p{L}]{0,3}';
        foreach (["\\(\\s?({$beside}\\s?{$number}\\s?{$beside})\\s?\\)", "[\u{2013}\u{2012}\u{2010}\u{2011}\\x{FE63}\\x{FF0D}]\\s?({$beside}\\s?{$number}\\s?{$beside})", "({$beside}\\s?{$number})\\s?[-\u{2212}]", "[-\u{2212}](\\p{Sc}\\s?{$number})"] as $pattern) {
            if (preg_match('/^[' . self::BLANKS . "]*{$pattern}[" . self::BLANKS . ']*$/Du', $cell, $part) === 1) {
                return $part[1];
            }
        }

        return null;
    }

    /** "1 234,5 kg" becomes "1234,5" where blanks mark thousands and kg is taken off. */
    public function plain(string $cell): string
    {
        $plain = $this->stripped($cell);

        return $plain === $cell || NumberText::parse($plain, $this->decimalMark) === null ? $cell : $plain;
    }

    private function stripped(string $cell): string
    {
        if ($this->negatives && ($size = self::otherNegative($cell)) !== null) {
            return '-' . ltrim($this->stripped($size));
        }
        foreach ($this->affixes as $affix) {
            $quoted = preg_quote($affix, '/');
            $without = preg_replace('/^[' . self::BLANKS . ']*' . $quoted . '[' . self::BLANKS . ']*(?=[+\-\x{2212}]?[0-9.,])|(?<=[0-9.,])[' . self::BLANKS . ']*' . $quoted . '[' . self::BLANKS . ']*$/Du', '', $cell) ?? $cell;
            if ($without !== $cell) {
                $cell = $without;
                break;
            }
        }
        if ($this->groupMark === '' || preg_match($this->number, $cell) !== 1) {
            return $cell;
        }

        return preg_replace('/(?<=[0-9])' . self::groupClass($this->groupMark) . '(?=[0-9]{2})/u', '', $cell) ?? $cell;
    }

    public function parses(string $cell): bool
    {
        return NumberText::parse($this->isPlain() ? $cell : $this->plain($cell), $this->decimalMark) !== null;
    }

    /**
     * How many of the cells are numbers under this style; each text is looked at once.
     *
     * @param array<array-key, int> $texts how often each stands there
     */
    public function fits(array $texts): int
    {
        $fits = 0;
        foreach ($texts as $text => $count) {
            $fits += $this->parses((string) $text) ? $count : 0;
        }

        return $fits;
    }

    /**
     * The number and what stands beside it: "12,5 kg" is ["12,5", "kg"], "€ 40" is ["40", "€"]; null when the text is not one
     * number with one short word or sign.
     *
     * @return array{string, string}|null
     */
    public static function numberAndAffix(string $cell): ?array
    {
        $number = '[+\-\x{2212}]?[0-9](?:[0-9.,\'’' . self::BLANKS . ']*[0-9])?';
        $affix = '[^\s0-9.,+\-\x{2212}\'’()\x{A0}\x{202F}\x{2009}][^0-9+\-\x{2212},]{0,' . (self::LONGEST_AFFIX - 1) . '}';
        if (preg_match('/^[' . self::BLANKS . ']*(' . $number . ')[' . self::BLANKS . ']*(' . $affix . ')$/Du', $cell, $part) === 1) {
            return [$part[1], rtrim($part[2])];
        }
        if (preg_match('/^[' . self::BLANKS . ']*(\p{Sc}|CHF|EUR|GBP|JPY|USD)[' . self::BLANKS . ']*(' . $number . ')[' . self::BLANKS . ']*$/Du', $cell, $part) === 1) {
            return [$part[2], $part[1]];
        }

        return null;
    }

    /**
     * The style under which most of the cells are numbers, the plainest first. "1,234" alone decides nothing: it is a decimal
     * comma only where commas can be decimal marks and another cell shows it.
     *
     * @param list<string> $cells     filled cells
     * @param bool         $commaMark whether a decimal comma can stand unquoted in this file
     */
    public static function recognise(array $cells, bool $commaMark): self
    {
        $texts = array_count_values($cells);
        $bare = new self();
        if ($bare->fits($texts) === count($cells)) {
            return $bare;
        }
        $affix = self::commonAffix($cells);
        $affixes = $affix === null ? [] : [$affix];
        $plainest = new self('.', '', $affixes);
        if (self::showNegatives($texts)) {
            $plainest = $plainest->withNegatives();
        }
        $best = $plainest;
        $most = $plainest->fits($texts);
        if ($most === count($cells)) {
            return $plainest;
        }
        $candidates = [new self(',', '', $affixes), new self('.', ',', $affixes), new self('.', ' ', $affixes), new self('.', "'", $affixes),
            new self(',', '.', $affixes), new self(',', ' ', $affixes), new self(',', "'", $affixes)];
        foreach ($candidates as $style) {
            $style = $plainest->negatives ? $style->withNegatives() : $style;
            if ($style->decimalMark === ',' && $style->groupMark === '' && !$commaMark && !self::showDecimalMark($cells, ',')) {
                continue;
            }
            $count = $style->fits($texts);
            if ($count > $most) {
                $best = $style;
                $most = $count;
            }
        }

        return $best;
    }

    /**
     * Whether some cell shows beyond doubt that this is the decimal mark: digits behind it that are not three, a nought alone before it,
     * or the other mark between thousands before it. "4.767" shows nothing.
     *
     * @param iterable<string> $cells
     * @param '.'|','          $mark
     */
    public static function showDecimalMark(iterable $cells, string $mark): bool
    {
        [$own, $other] = $mark === ',' ? [',', '\.'] : ['\.', ','];
        $shown = "/[0-9]{$own}(?:[0-9]{1,2}|[0-9]{4,})(?![0-9{$own}])|^\\D*0{$own}[0-9]|{$other}[0-9]{3}{$own}[0-9]/u";
        foreach ($cells as $cell) {
            if (preg_match($shown, $cell) === 1) {
                return true;
            }
        }

        return false;
    }

    /**
     * The style of a column in a table whose other columns show their decimal mark: where this column's mark is the other one and
     * nothing but three digits ever follow it, it stands between thousands. A column without any mark takes the one that is shown.
     *
     * @param list<string> $cells filled cells of the column
     * @param '.'|','      $shown the mark that the others show
     */
    public function beside(array $cells, string $shown): self
    {
        return match (true) {
            $this->decimalMark === $shown || $this->groupMark !== '' => $this,
            $this->marked($cells) === null => new self($shown, '', $this->affixes, $this->negatives),
            default => $this->withThousands($cells) ?? $this,
        };
    }

    /**
     * The style under which this column's mark stands between thousands, where the cells leave that open.
     *
     * @param list<string> $cells filled cells of the column
     */
    public function withThousands(array $cells): ?self
    {
        if ($this->groupMark !== '' || $this->marked($cells) === null || self::showDecimalMark($cells, $this->decimalMark)) {
            return null;
        }
        $other = new self($this->decimalMark === '.' ? ',' : '.', $this->decimalMark, $this->affixes, $this->negatives);
        $texts = array_count_values($cells);

        return $other->fits($texts) >= $this->fits($texts) ? $other : null;
    }

    /**
     * The first cell that has the decimal mark.
     *
     * @param list<string> $cells
     */
    public function marked(array $cells): ?string
    {
        foreach ($cells as $cell) {
            if (str_contains($cell, $this->decimalMark)) {
                return $cell;
            }
        }

        return null;
    }

    /**
     * Whether other writings of negatives are beyond doubt: none has a plain minus, and brackets and minus signs behind (which may be
     * remarks) are no more than numbers without a sign and with a dash in front.
     *
     * @param array<array-key, int> $texts
     */
    private static function showNegatives(array $texts): bool
    {
        $negative = $open = $plain = 0;
        foreach (array_keys($texts) as $text) {
            $text = (string) $text;
            if (self::otherNegative($text) !== null) {
                ++$negative;
                $open += (int) preg_match('/^\s?\(|[-\x{2212}]\s?$/u', $text);
            } elseif (preg_match('/^[-\x{2212}]\s?[0-9.,]/u', $text) === 1) {
                return false;
            } else {
                $plain += (int) preg_match('/^[\p{Sc}\s]*[0-9.,]/u', $text);
            }
        }

        return $negative > 0 && $plain + $negative - $open >= $open;
    }

    /**
     * What stands beside more than half of the cells, always the same.
     *
     * @param list<string> $cells
     */
    private static function commonAffix(array $cells): ?string
    {
        $found = [];
        foreach ($cells as $cell) {
            $affix = self::numberAndAffix(self::otherNegative($cell) ?? $cell)[1] ?? null;
            if ($affix !== null && VariableName::isUnit($affix)) {
                $found[$affix] = ($found[$affix] ?? 0) + 1;
            }
        }
        arsort($found);
        $common = array_key_first($found);

        return $common !== null && 2 * $found[$common] > count($cells) ? $common : null;
    }

    private static function pattern(string $decimalMark, string $groupMark): string
    {
        $group = self::groupClass($groupMark);
        $fraction = '(?:' . preg_quote($decimalMark, '/') . '[0-9]+)?';

        // Groups of three, or with commas of two before the last three, as lakhs and crores are written.
        $groups = '(?:[0-9]{1,3}(?:' . $group . '[0-9]{3})+' . ($groupMark === ',' ? '|[0-9]{1,2}(?:,[0-9]{2})+,[0-9]{3}' : '') . ')';

        return '/^[' . self::BLANKS . ']*[+\-\x{2212}]?' . $groups . $fraction . '[' . self::BLANKS . ']*$/Du';
    }

    private static function groupClass(string $groupMark): string
    {
        return match ($groupMark) {
            '' => '(?!)',
            ' ' => '[' . self::BLANKS . ']',
            "'" => "['’]",
            default => preg_quote($groupMark, '/'),
        };
    }
}
