<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * Rows of a table that are no data: those that add up others ("Total", "Subtotal", "Average"), a second row of units, and remarks that
 * stand in a row of their own ("Source: …").
 *
 * What calls itself a total is one where its numbers are those of the rows that it would add up, or where it stands first or last (but
 * for remarks); in the middle of the table, with other numbers, it is a row like any other.
 */
final readonly class TotalRow
{
    private const WORDS = '/^(?:(?:grand|overall|sub)[\s\-]*)?(?:totals?|sums?|averages?|avg\.?|means?|summe|zwischensumme|gesamt|insgesamt|mittelwert|durchschnitt|somme|sous-total|totale?s?|moyenne|suma|subtotal|media|totaal|gemiddelde|итого|всего|σύνολο|合計|总计)\b[\s:.]*(?:\p{L}[\p{L}\s]{0,40})?$|^all\s+\p{L}+$/iu';
    private const REMARK = '/^(?:sources?|notes?|quellen?|anmerkung|hinweis|fuente|fonte|nota|bron|data from|as of|stand)\b|^[*†‡©]|^\(?\d\)|^https?:\/\/|^\S+(?:\s+\S+){3,}$/iu';
    /** Of numbers shown rounded, a sum of many may be off by half a unit of each. */
    private const ROUNDING = 0.5;

    /** @param list<string> $cells */
    public static function firstEntry(array $cells): string
    {
        foreach ($cells as $cell) {
            if (!NumberText::isBlank($cell)) {
                return trim($cell);
            }
        }

        return '';
    }

    /** @param list<string> $cells a whole row */
    public static function looksLikeOne(array $cells): bool
    {
        return count($cells) > 1 && preg_match(self::WORDS, self::firstEntry($cells)) === 1;
    }

    /** @param list<string> $cells a whole row: a sentence with nothing beside it */
    public static function isRemark(array $cells): bool
    {
        return count($cells) > 1 && self::filled($cells) === 1 && preg_match(self::REMARK, self::firstEntry($cells)) === 1 && NumberText::parse(self::firstEntry($cells)) === null;
    }

    /**
     * First entries of rows that are no data.
     *
     * @param list<list<string>> $head the first rows of the table
     * @param list<list<string>> $tail the last rows, where the head is not all there is
     *
     * @return list<string>
     */
    public static function entries(array $head, array $tail): array
    {
        $rows = [...$head, ...$tail];
        $entries = array_map(self::firstEntry(...), $rows);
        $often = array_count_values(array_map(static fn(string $entry): string => "={$entry}", $entries));
        $totals = array_filter($rows, self::looksLikeOne(...));
        $lastTotal = array_key_last($totals) ?? -1;
        $last = self::lastOfData($rows);
        $found = [];
        $before = $block = [];
        foreach ($rows as $i => $row) {
            if (self::isRemark($row)) {
                $found[] = $entries[$i];
                continue;
            }
            $times = $often["={$entries[$i]}"];
            // What stands in every third row is a label of the data, whatever it says.
            if (isset($totals[$i]) && (3 * $times < count($rows) || $i === $last)) {
                $isOutermost = ($i === $last && $times === 1) || ($i === 0 && self::addsUp($row, array_reduce(array_slice($rows, 1), self::with(...), [])));
                if ($isOutermost || self::addsUp($row, $before) || self::addsUp($row, $block)) {
                    $found[] = $entries[$i];
                    $block = [];
                    continue;
                }
            }
            if ($i < $lastTotal) {
                [$before, $block] = [self::with($before, $row), self::with($block, $row)];
            }
        }

        return array_values(array_unique($found));
    }

    /**
     * The units that a row under the names holds, by place; null when it is a row of data.
     *
     * @param list<list<string>> $rows the first is the one in question
     *
     * @return array<int, string>|null
     */
    public static function units(array $rows): ?array
    {
        $first = $rows[0] ?? [];
        $rest = array_slice($rows, 1, 50);
        $units = [];
        foreach ($first as $place => $cell) {
            $unit = trim($cell, " \t()[]");
            $below = array_filter(array_column($rest, $place), static fn(string $other): bool => !NumberText::isBlank($other));
            $areNumbers = $below !== [] && 3 * count(array_filter($below, static fn(string $other): bool => self::number($other) !== null)) >= 2 * count($below);
            if (self::number($cell) !== null || ($areNumbers && $unit !== '' && !VariableName::isUnit($unit) && preg_match('/^[-–—]$/u', $unit) !== 1) || (!$areNumbers && $unit !== '' && !VariableName::isUnit($unit) && $below !== [])) {
                return null;
            }
            if ($areNumbers && VariableName::isUnit($unit)) {
                $units[$place] = $unit;
            }
        }

        return $units === [] || count($rest) < 2 ? null : $units;
    }

    /**
     * The last row that is no remark.
     *
     * @param list<list<string>> $rows
     */
    private static function lastOfData(array $rows): int
    {
        for ($i = count($rows) - 1; $i > 0; --$i) {
            if (self::filled($rows[$i]) > 0 && !self::isRemark($rows[$i])) {
                return $i;
            }
        }

        return 0;
    }

    /**
     * @param array<int, array{float, int}> $sums of the numbers of some rows by place, and how many they are
     * @param list<string>                  $row
     *
     * @return array<int, array{float, int}> with one more row
     */
    private static function with(array $sums, array $row): array
    {
        foreach ($row as $place => $cell) {
            $number = self::number($cell);
            if ($number !== null) {
                [$sum, $count] = $sums[$place] ?? [0.0, 0];
                $sums[$place] = [$sum + $number, $count + 1];
            }
        }

        return $sums;
    }

    /**
     * Whether some number of the row is the sum or the mean of those in its column.
     *
     * @param list<string>                  $row
     * @param array<int, array{float, int}> $others
     */
    private static function addsUp(array $row, array $others): bool
    {
        foreach ($row as $place => $cell) {
            [$sum, $count] = $others[$place] ?? [0.0, 0];
            $stated = $count < 2 ? null : self::number($cell);
            if ($stated === null) {
                continue;
            }
            $decimals = strlen(explode('.', str_replace(',', '.', $cell))[1] ?? '');
            $reach = self::ROUNDING * 10.0 ** -$decimals * $count + 1e-9 * abs($sum);
            if (abs($stated - $sum) <= $reach || abs($stated - $sum / $count) <= $reach / $count + self::ROUNDING * 10.0 ** -$decimals) {
                return true;
            }
        }

        return false;
    }

    private static function number(string $cell): ?float
    {
        $number = NumberText::parse(str_replace([' ', "\u{A0}", "\u{202F}", "'"], '', $cell)) ?? NumberText::parse($cell, ',') ?? (preg_match('/^-?\d{1,3}(?:,\d{3})+(?:\.\d+)?$/', trim($cell)) === 1 ? NumberText::parse(str_replace(',', '', trim($cell))) : null);

        return is_array($number) ? $number[0] / 10 ** $number[1] : $number;
    }

    /** @param list<string> $cells */
    private static function filled(array $cells): int
    {
        return count(array_filter($cells, static fn(string $cell): bool => !NumberText::isBlank($cell)));
    }
}
