<?php

declare(strict_types=1);

namespace App\Intake\Csv;

use App\Intake\Decisions;
use App\Intake\NotATable;
use RowTally\Core\Parsing\NumberText;

/**
 * Recognises the dialect of a text: the delimiter and quotation mark under which most records are equally wide, remarks, titles
 * above the table, and whether its first record holds names. What was decided already is not guessed.
 */
final readonly class DialectGuess
{
    private const MOST_TITLES = 30;

    /** @param array{records: list<list<string>>, lines: list<int>, ends: list<int>, next: int} $cut the text under this dialect */
    private function __construct(
        public Dialect $dialect,
        public array $cut,
        /** Place of the first record of the table in the cut. */
        public int $first,
        /** The line of a quotation mark that is not closed, so that all were taken for letters; null = none. */
        public ?int $badQuoteLine,
    ) {}

    /**
     * @param bool $isWhole whether the file ends with the text
     *
     * @throws NotATable
     */
    public static function of(string $text, bool $isWhole, Decisions $decisions): self
    {
        [$delimiter, $quote, $cut, $badQuote] = self::cutBest($text, $isWhole, $decisions);
        $records = $cut['records'];
        $usual = self::usualWidth($records);
        $comment = $decisions->comment ?? self::comment($records, $usual);
        $first = $decisions->firstLine === null
            ? self::firstOfTable($records, $usual, $comment)
            : self::firstFromLine($cut['lines'], $decisions->firstLine, $records, $comment);
        $hasHeader = $decisions->hasHeader ?? self::hasHeader(array_slice($records, $first, 200));

        return new self(new Dialect($delimiter, $quote, $comment, $cut['lines'][$first] ?? 1, $hasHeader), $cut, $first, $badQuote?->finding->line);
    }

    /** @param list<string> $record */
    public static function isRemark(array $record, string $comment): bool
    {
        return $comment !== '' && str_starts_with(ltrim($record[0] ?? ''), $comment);
    }

    /**
     * @return array{string, string, array{records: list<list<string>>, lines: list<int>, ends: list<int>, next: int}, NotATable|null} the last: why quotation marks were taken for letters
     */
    private static function cutBest(string $text, bool $isWhole, Decisions $decisions): array
    {
        $best = null;
        $bestScore = [-1, -1.0, 0];
        $error = null;
        $delimiters = $decisions->delimiter ?? (self::isOneColumnOfDecimals($text) ? ';' : null);
        $delimiters = $delimiters === null ? Decisions::DELIMITERS : [$delimiters];
        $quotes = $decisions->quote === null ? ['"', ...(str_contains($text, CsvRecords::ESCAPED) ? [CsvRecords::ESCAPED] : []), "'"] : [$decisions->quote];
        foreach ($quotes as $quote) {
            // Single quotation marks are tried only where every other line at least has a cell that begins and ends in them.
            if ($quote === "'" && $decisions->quote === null && 2 * (int) preg_match_all("/(?:^|[,;\t|])'[^'\n]*'(?:[,;\t|\r\n]|$)/m", $text) < substr_count(rtrim($text), "\n") + 1) {
                continue;
            }
            // Backslashes escape only where doubled marks do not explain all of it.
            if ($quote === CsvRecords::ESCAPED && $decisions->quote === null && $error === null && $bestScore[0] === 1) {
                continue;
            }
            foreach ($delimiters as $i => $delimiter) {
                // Where it does not stand it cuts as little as the first.
                if ($i > 0 && !str_contains($text, $delimiter)) {
                    continue;
                }
                try {
                    $cut = (new CsvRecords($delimiter, $quote))->cut($text, 1, $isWhole);
                } catch (NotATable $notATable) {
                    $error ??= $notATable;
                    continue;
                }
                $usual = self::usualWidth($cut['records']);
                $share = self::shareAsWide($cut['records'], $usual);
                $isTable = $usual > 1 && $share >= 0.5 && count($cut['records']) > 1 && ($delimiter !== ' ' || self::mostlyNumbers($cut['records']));
                $score = [$isTable ? 1 : 0, $delimiter === ' ' && !$isTable ? 0.0 : $share + ($quote === "'" ? 0.001 : 0.0), $usual];
                if ($score > $bestScore) {
                    $best = [$delimiter, $quote, $cut];
                    $bestScore = $score;
                }
            }
        }
        // A quotation mark that is off makes a table look like one column under the other delimiters.
        if ($best === null || ($bestScore[0] === 0 && $error !== null && $best[1] !== CsvRecords::ESCAPED)) {
            $error ??= NotATable::empty();
            // Marks may be letters of their cells, as for inches.
            return $decisions->quote === null ? [...self::withoutQuotes($text, $isWhole, $delimiters) ?? throw $error, $error] : throw $error;
        }

        return [...$best, null];
    }

    /**
     * @param list<string> $delimiters
     *
     * @return array{string, string, array{records: list<list<string>>, lines: list<int>, ends: list<int>, next: int}}|null null where it is no table so either
     */
    private static function withoutQuotes(string $text, bool $isWhole, array $delimiters): ?array
    {
        $best = null;
        $bestScore = [0.0, 0];
        foreach ($delimiters as $delimiter) {
            $cut = (new CsvRecords($delimiter, ''))->cut($text, 1, $isWhole);
            $usual = self::usualWidth($cut['records']);
            $score = [self::shareAsWide($cut['records'], $usual), $usual];
            if ($usual > 1 && $delimiter !== ' ' && count($cut['records']) > 1 && $score > $bestScore) {
                [$best, $bestScore] = [[$delimiter, '', $cut], $score];
            }
        }

        return $best;
    }

    /** A name without a comma above lines that are each one number with a decimal comma. */
    private static function isOneColumnOfDecimals(string $text): bool
    {
        return preg_match('/^[^,;\t\n]*\p{L}[^,;\t\n]*\r?\n(?:\s*"?[-\x{2212}]?[0-9]+(?:,[0-9]+)?"?[ \t]*\r?(?:\n|$))+\s*$/u', $text) === 1
            && preg_match('/[0-9],[0-9]/', $text) === 1;
    }

    /**
     * The first of rows that are all two whole numbers without a blank between, as a decimal comma would make of one; null otherwise.
     *
     * @param list<list<string>> $records of the table, without names
     */
    public static function onlyCommas(array $records): ?string
    {
        $filled = array_values(array_filter($records, static fn(array $record): bool => $record !== ['']));
        foreach ($filled as $record) {
            if (count($record) !== 2 || preg_match('/^[-\x{2212}]?[0-9]+$/u', $record[0]) !== 1 || !ctype_digit($record[1])) {
                return null;
            }
        }

        return count($filled) < 2 ? null : implode(',', $filled[0]);
    }

    /**
     * The width that most records have; the wider one of two that are equally common.
     *
     * @param list<list<string>> $records
     */
    private static function usualWidth(array $records): int
    {
        $widths = array_count_values(array_map(count(...), array_filter($records, static fn(array $record): bool => $record !== [''])));
        if ($widths === []) {
            return 1;
        }
        krsort($widths);
        $most = max($widths);

        return (int) array_search($most, $widths, true);
    }

    /** @param list<list<string>> $records */
    private static function shareAsWide(array $records, int $width): float
    {
        $filled = array_filter($records, static fn(array $record): bool => $record !== ['']);

        return count(array_filter($filled, static fn(array $record): bool => count($record) === $width)) / max(1, count($filled));
    }

    /** @param list<list<string>> $records */
    private static function mostlyNumbers(array $records): bool
    {
        $cells = array_merge(...array_slice($records, 1, 50));
        $numbers = array_filter($cells, static fn(string $cell): bool => NumberText::parse($cell) !== null || NumberText::parse($cell, ',') !== null);

        return 5 * count($numbers) >= 3 * count($cells) && count($cells) > 0;
    }

    /** @param list<list<string>> $records */
    private static function comment(array $records, int $usual): string
    {
        foreach ($records as $record) {
            if ($record === ['']) {
                continue;
            }
            $isRemark = str_starts_with($record[0], '#') && strlen($record[0]) > 1 && (count($record) !== $usual || $usual === 1 || str_starts_with($record[0], '# '));

            return $isRemark ? '#' : '';
        }

        return '';
    }

    /** @param list<list<string>> $records */
    private static function firstOfTable(array $records, int $usual, string $comment): int
    {
        $candidates = [];
        foreach ($records as $i => $record) {
            if ($record !== [''] && self::filled($record) > 0 && !self::isRemark($record, $comment)) {
                $candidates[] = $i;
                if (count($candidates) > self::MOST_TITLES) {
                    break;
                }
            }
        }
        $enough = max(2, intdiv($usual, 2) + 1);
        foreach ($candidates as $n => $i) {
            $next = $candidates[$n + 1] ?? null;
            // A title may hold the delimiter: then it has fewer cells than the names below it, which are no numbers.
            $isCut = $next !== null && count($records[$i]) < $usual && count($records[$next]) === $usual && self::numbers($records[$next]) === 0 && isset($candidates[$n + 2]) && self::numbers($records[$candidates[$n + 2]]) > 0;
            $isTitle = $usual > 1 && $next !== null && trim($records[$i][0]) !== '' && (self::filled($records[$i]) < $enough || $isCut)
                && array_filter(array_slice($candidates, $n + 1), static fn(int $later): bool => self::filled($records[$later]) >= $enough) !== [];
            if (!$isTitle) {
                return $i;
            }
        }

        return $candidates[0] ?? 0;
    }

    /**
     * @param list<int>          $lines
     * @param list<list<string>> $records
     */
    private static function firstFromLine(array $lines, int $line, array $records, string $comment): int
    {
        foreach ($lines as $i => $begins) {
            if ($begins >= $line && $records[$i] !== [''] && !self::isRemark($records[$i], $comment)) {
                return $i;
            }
        }

        return max(0, count($lines) - 1);
    }

    /** @param list<string> $record */
    private static function numbers(array $record): int
    {
        return count(array_filter($record, static fn(string $cell): bool => NumberText::parse($cell) !== null || NumberText::parse($cell, ',') !== null));
    }

    /** @param list<string> $record */
    private static function filled(array $record): int
    {
        return count(array_filter($record, static fn(string $cell): bool => trim($cell) !== ''));
    }

    /**
     * Names, unless the first record is made like the rows: only numbers, or numbers wherever the rows have numbers. Numbers
     * that are years in a row of names are names.
     *
     * @param list<list<string>> $records of the table, the first first
     */
    private static function hasHeader(array $records): bool
    {
        $first = $records[0] ?? [];
        $isNumber = static fn(string $cell): bool => NumberText::parse($cell) !== null || NumberText::parse($cell, ',') !== null;
        $numbersInFirst = array_filter($first, $isNumber);
        if ($first !== [] && count($numbersInFirst) === count($first)) {
            return false;
        }
        $years = array_filter($numbersInFirst, static fn(string $cell): bool => preg_match('/^(?:19|20)[0-9]{2}$/', trim($cell)) === 1);
        if ($numbersInFirst === [] || count($years) === count($numbersInFirst) || count($records) < 3) {
            return true;
        }
        foreach ($first as $i => $cell) {
            $below = array_filter(array_column(array_slice($records, 1), $i), static fn(string $below): bool => trim($below) !== '');
            $mostNumbers = $below !== [] && 3 * count(array_filter($below, $isNumber)) >= 2 * count($below);
            if ($mostNumbers !== $isNumber($cell) || trim($cell) === '') {
                return true;
            }
        }

        return false;
    }
}
