<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * A list as people type it: values set apart by blanks, commas, semicolons or lines ("5, 7 9; 12"), values with counts
 * ("2 ×3"), or classes with counts ("12-17  5").
 *
 * A comma between digits with no blank beside it is a decimal mark where another separator is in use or it cannot be one
 * between values; anywhere else it sets values apart.
 */
final readonly class ValueList
{
    private const NUMBER = '[+\-\x{2212}]?(?:[0-9]+(?:[.,][0-9]+)?|[.,][0-9]+)';
    private const TIMES = '\s*[×xX*]\s*';
    private const MOST_TEXT = 4;

    private function __construct(
        /** @var list<string> */
        public array $names,
        /** @var list<list<string>> */
        public array $rows,
    ) {}

    /** Null when the text is no list of one of these kinds; a table with several columns is none. */
    public static function of(string $text): ?self
    {
        $text = str_replace(["\r\n", "\r"], "\n", trim($text, " \t\r\n\u{FEFF}"));
        if ($text === '' || str_contains($text, '"')) {
            return null;
        }

        return self::withCounts($text) ?? self::classesWithCounts($text) ?? self::values($text);
    }

    private static function withCounts(string $text): ?self
    {
        $item = '(' . self::NUMBER . ')' . self::TIMES . '(' . self::NUMBER . ')';
        if (preg_match("/^{$item}(?:[\\s;]+|,\\s+){$item}|^{$item}$/u", $text) !== 1
            || preg_match("/^(?:{$item}(?:\\s*[;\\n]\\s*|,\\s+|\\s+|$))+$/u", $text) !== 1) {
            return null;
        }
        preg_match_all("/{$item}/u", $text, $found, PREG_SET_ORDER);

        return new self(['Value', 'Count'], array_map(static fn(array $pair): array => [$pair[1], $pair[2]], $found));
    }

    private static function classesWithCounts(string $text): ?self
    {
        // A minus with a blank before it and none behind belongs to the next number: "3 -1 2" are three.
        $class = '(?:' . self::NUMBER . '(?:[\-–—]|\s+[\-–—]\s+|\s*(?:to|bis|à|a|tot|through)\s+)' . self::NUMBER . '|(?:[<>≤≥]|under|over|below|above|unter|über)\s*' . self::NUMBER
            . '|' . self::NUMBER . '\s*(?:\+|and over|and above|or more|und mehr|et plus))';
        $rows = [];
        foreach (explode("\n", $text) as $line) {
            if (trim($line) === '') {
                continue;
            }
            if (preg_match("/^\\s*({$class})\\s*(?:[:;\\t]|\\s)\\s*(" . self::NUMBER . ')\s*$/iu', $line, $part) !== 1) {
                return null;
            }
            $rows[] = [trim($part[1]), $part[2]];
        }

        return $rows === [] ? null : new self(['Class', 'Count'], $rows);
    }

    private static function values(string $text): ?self
    {
        // "3,5; 4,2" and lines of "3,5": the comma belongs to the number.
        $otherSeparator = preg_match('/[;\s]/u', preg_replace('/,\s/u', '', $text) ?? $text) === 1;
        $commaBetweenDigits = preg_match('/[0-9],[0-9]/', $text) === 1;
        $everyOther = preg_match('/[0-9],[0-9]+,[0-9]/', $text) !== 1;
        $isDecimal = $commaBetweenDigits && $everyOther && ($otherSeparator || substr_count($text, ',') === 1) && !str_contains($text, '.');
        $tokens = preg_split($isDecimal ? '/[;\s]+|,(?=\s)/u' : '/[;,\s]+/u', $text, -1, PREG_SPLIT_NO_EMPTY);
        if ($tokens === false || $tokens === []) {
            return null;
        }
        if (preg_match('/^' . self::NUMBER . '$/u', $tokens[0]) !== 1) {
            return null;
        }
        $notNumbers = array_filter($tokens, static fn(string $token): bool => preg_match('/^' . self::NUMBER . '$/u', $token) !== 1);
        // A few texts among numbers are mistakes to be shown; many make it something else.
        if (count($notNumbers) > self::MOST_TEXT || 2 * count($notNumbers) > count($tokens)) {
            return null;
        }

        return new self(['Value'], array_map(static fn(string $token): array => [$token], $tokens));
    }
}
