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
        $found = [];
        $last = self::lastOfData($rows);
        $before = [];
        foreach ($rows as $i => $row) {
            // What stands in every third row is a label of the data, whatever it says.
            if (self::isRemark($row)) {
                $found[] = $entries[$i];
            } elseif (self::looksLikeOne($row) && (3 * $often["={$entries[$i]}"] < count($rows) || $i === $last)) {
                $isOutermost = $i === $last || ($i === 0 && self::addsUp($row, array_slice($rows, 1)));
                if ($isOutermost || self::addsUp($row, $before) || self::addsUp($row, self::block($before))) {
                    $found[] = $entries[$i];
                    $before[] = null;
                    continue;
                }
                $before[] = $row;
            } else {
                $before[] = $row;
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
     * The rows since the last total.
     *
     * @param list<list<string>|null> $rows null = a total
     *
     * @return list<list<string>>
     */
    private static function block(array $rows): array
    {
        $block = [];
        for ($i = count($rows) - 1; $i >= 0 && $rows[$i] !== null; --$i) {
            $block[] = $rows[$i];
        }

        return $block;
    }

    /**
     * Whether some number of the row is the sum or the mean of those in its column, and none that can be told is neither.
     *
     * @param list<string>            $row
     * @param list<list<string>|null> $others null = a total, which adds nothing
     */
    private static function addsUp(array $row, array $others): bool
    {
        $others = array_values(array_filter($others, static fn(?array $other): bool => $other !== null));
        $agrees = 0;
        foreach ($row as $place => $cell) {
            $stated = self::number($cell);
            $numbers = array_values(array_filter(array_map(static fn(array $other): ?float => self::number($other[$place] ?? ''), $others), static fn(?float $number): bool => $number !== null));
            if ($stated === null || count($numbers) < 2) {
                continue;
            }
            $sum = array_sum($numbers);
            $decimals = strlen(explode('.', str_replace(',', '.', $cell))[1] ?? '');
            $reach = self::ROUNDING * 10.0 ** -$decimals * count($numbers) + 1e-9 * abs($sum);
            $agrees += abs($stated - $sum) <= $reach || abs($stated - $sum / count($numbers)) <= $reach / count($numbers) + self::ROUNDING * 10.0 ** -$decimals ? 1 : 0;
        }

        return $agrees > 0;
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
