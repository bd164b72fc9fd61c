<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

use DateTimeImmutable;
use DateTimeZone;

/**
 * Reads a cell as a calendar date, with or without a time, in one of three orders or with the month as a word, or as a time of day, and
 * writes it as ISO 8601 does (2026-03-21, 2026-03-21T14:05, 07:45), which sorts as it stands. A time that states its zone is told in UTC.
 *
 * Source  ISO 8601-1:2019; the Gregorian calendar throughout. Years have four digits: two could mean two centuries; beside a month in
 *         words two are read as POSIX does (69 to 99 are 1969 to 1999).
 */
enum DateText: string
{
    case YearFirst = 'ymd';
    case DayFirst = 'dmy';
    case MonthFirst = 'mdy';
    case TimeOfDay = 'time';

    private const LOOKS_LIKE_ONE = '/^\s*(?:[0-9]{1,4}([\-\/.])[0-9]{1,2}\1[0-9]|[0-9]{1,2}:[0-9]{2}|(?:\p{L}+,?\s+)?[0-9]{1,4}(?:st|nd|rd|th)?[.\s\-\/]*\p{L}{3}|\p{L}{3,12}\.?[\s\-\/][0-9]{1,2})/u';
    private const MONTHS = ['jan|ene|gen', 'feb|fév|fev', 'mar|mär|mrz|maa|mrt', 'apr|avr|abr', 'may|mai|mei|mag', 'jun|juin|giu', 'jul|juil|lug', 'aug|aoû|aou|ago', 'sep|set', 'oct|okt|out|ott', 'nov', 'dec|déc|dez|dic'];
    private const TIME = '(?<h>[0-9]{1,2}):(?<i>[0-9]{2})(?::(?<s>[0-9]{2})(?:[.,][0-9]{1,9})?)?\s?(?<half>[aApP]\.?[mM]\.?)?\s?(?<zone>Z|UTC|GMT|[+\-\x{2212}][0-9]{2}:?[0-9]{2})?';

    /** The date as ISO 8601; null when the text is none in this order, or no day of the calendar. */
    public function iso(string $text): ?string
    {
        if ($this === self::TimeOfDay) {
            $time = preg_match('/^\s*' . self::TIME . '\s*$/Du', $text, $part) === 1 && ($part['zone'] ?? '') === '' ? self::time($part) : null;

            return $time;
        }
        $pattern = match ($this) {
            self::YearFirst => '(?<y>[0-9]{4})(?<sep>[\-\/.])(?<m>[0-9]{1,2})\k<sep>(?<d>[0-9]{1,2})',
            self::DayFirst => '(?<d>[0-9]{1,2})(?<sep>[\-\/.])(?<m>[0-9]{1,2})\k<sep>(?<y>[0-9]{4})',
            self::MonthFirst => '(?<m>[0-9]{1,2})(?<sep>[\-\/.])(?<d>[0-9]{1,2})\k<sep>(?<y>[0-9]{4})',
        };
        $time = '(?:[T,]?\s*' . self::TIME . ')?';
        $part = preg_match("/^\\s*{$pattern}{$time}\\s*$/Du", $text, $part) === 1 ? $part : self::withMonthInWords($text, $time);
        if ($part === null || !checkdate((int) $part['m'], (int) $part['d'], (int) $part['y'])) {
            return null;
        }
        $date = sprintf('%04d-%02d-%02d', (int) $part['y'], (int) $part['m'], (int) $part['d']);
        if (($part['h'] ?? '') === '') {
            return $date;
        }
        $time = self::time($part);

        return $time === null ? null : self::inUtc("{$date}T{$time}", $part['zone'] ?? '');
    }

    /** @return array<array-key, string>|null the parts of a date such as "13 Jan 2024", "January 13, 2024", "13-Jan-24" or "2024 Jan 13", with its month and year as numbers */
    private static function withMonthInWords(string $text, string $time): ?array
    {
        $word = '(?<word>\p{L}{3,10})\.?';
        $day = '(?<d>[0-9]{1,2})(?:st|nd|rd|th|\.)?';
        $year = "(?<y>[0-9]{4}|'?[0-9]{2})";
        $apart = '(?:\s+(?:of\s+|de\s+)?|[\-\/])';
        $weekday = '(?:\p{L}{2,10}\.?,?\s+)?';
        foreach (["{$weekday}{$day}{$apart}?{$word},?{$apart}{$year}", "{$weekday}{$word}{$apart}{$day},?\\s*{$apart}?{$year}", "(?<y>[0-9]{4}){$apart}{$word}{$apart}{$day}"] as $pattern) {
            if (preg_match("/^\\s*{$pattern}{$time}\\s*$/Du", $text, $part) === 1) {
                foreach (self::MONTHS as $i => $names) {
                    if (preg_match("/^(?:{$names})/iu", $part['word']) === 1) {
                        $short = ltrim($part['y'], "'");
                        $year = strlen($short) === 4 ? (int) $short : (int) $short + ((int) $short < 69 ? 2000 : 1900);

                        return [...$part, 'm' => (string) ($i + 1), 'y' => (string) $year];
                    }
                }
            }
        }

        return null;
    }

    /**
     * @param array<array-key, string> $part
     *
     * @return string|null HH:MM or HH:MM:SS; null when it is no time of the day
     */
    private static function time(array $part): ?string
    {
        $hour = (int) $part['h'];
        $half = strtolower($part['half'] ?? '');
        if ($half !== '') {
            if ($hour < 1 || $hour > 12) {
                return null;
            }
            $hour = $hour % 12 + ($half[0] === 'p' ? 12 : 0);
        }
        $second = $part['s'] ?? '';

        return $hour > 23 || (int) $part['i'] > 59 || (int) $second > 59 ? null : sprintf('%02d:%s', $hour, $part['i']) . ($second === '' ? '' : ":{$second}");
    }

    private static function inUtc(string $moment, string $zone): string
    {
        if ($zone === '') {
            return $moment;
        }
        if (preg_match('/^[+\-\x{2212}]/u', $zone) !== 1) {
            return "{$moment}Z";
        }
        $offset = str_replace("\u{2212}", '-', $zone);
        $utc = (new DateTimeImmutable($moment . $offset))->setTimezone(new DateTimeZone('UTC'));

        return $utc->format(substr_count($moment, ':') === 2 ? 'Y-m-d\TH:i:s\Z' : 'Y-m-d\TH:i\Z');
    }

    /**
     * How cells of a column that was read before are written: as ISO dates, or as times of day.
     *
     * @param list<string> $cells
     */
    public static function ofStored(array $cells): self
    {
        foreach ($cells as $cell) {
            if ($cell !== '') {
                return preg_match('/^\d\d:\d\d/', $cell) === 1 ? self::TimeOfDay : self::YearFirst;
            }
        }

        return self::YearFirst;
    }

    /** The same with day and month in each other's place; years that come first have no other. */
    public function turned(): self
    {
        return match ($this) {
            self::DayFirst => self::MonthFirst,
            self::MonthFirst => self::DayFirst,
            self::YearFirst, self::TimeOfDay => $this,
        };
    }

    /**
     * Whether some cell can be read in this order alone, by a day beyond the twelfth.
     *
     * @param iterable<string> $cells
     */
    public function isShownBy(iterable $cells): bool
    {
        foreach ($cells as $cell) {
            if ($this->iso($cell) !== null && $this->turned()->iso($cell) === null) {
                return true;
            }
        }

        return false;
    }

    /**
     * The first cell that is another day with day and month in each other's place.
     *
     * @param iterable<string> $cells
     */
    public function readTwoWays(iterable $cells): ?string
    {
        foreach ($cells as $cell) {
            [$own, $turned] = [$this->iso($cell), $this->turned()->iso($cell)];
            if ($own !== null && $turned !== null && $own !== $turned) {
                return $cell;
            }
        }

        return null;
    }

    /**
     * The order under which most cells are dates; null when fewer than two thirds are. Where day and month can be either, the
     * day is taken to come first.
     *
     * @param list<string> $cells filled cells
     */
    public static function recognise(array $cells): ?self
    {
        // Most columns hold no dates, and one look at all cells is enough to see it.
        $alike = preg_grep(self::LOOKS_LIKE_ONE, $cells);
        if ($alike !== false && 3 * count($alike) < 2 * count($cells)) {
            return null;
        }
        $best = null;
        $most = 0;
        foreach (self::cases() as $order) {
            $count = count(array_filter($cells, static fn(string $cell): bool => $order->iso($cell) !== null));
            if ($count > $most) {
                $best = $order;
                $most = $count;
            }
        }

        return 3 * $most >= 2 * count($cells) ? $best : null;
    }
}
