<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/** Rows that add up others instead of being data: their first entry says so ("Total", "Grand total", "Summe"). */
final class TotalRow
{
    private const WORDS = '/^(?:grand\s+|sub[\s\-]?|overall\s+)?(?:totals?|sums?|averages?|means?|summe|gesamt|insgesamt|mittelwert|durchschnitt|somme|totale?s?|moyenne|suma|media|totaal|gemiddelde|итого|всего|σύνολο|合計|总计)\b[\s:.]*$/iu';

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
}
