<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * Reads a cell as a calendar date, with or without a time, in one of three orders, and writes it as ISO 8601 does
 * (2026-03-21, 2026-03-21T14:05), which sorts as it stands.
 *
 * Source  ISO 8601-1:2019; the Gregorian calendar throughout. Years have four digits: two could mean two centuries.
 */
enum DateText: string
{
    case YearFirst = 'ymd';
    case DayFirst = 'dmy';
    case MonthFirst = 'mdy';

    private const LOOKS_LIKE_ONE = '/^\s*[0-9]{1,4}([\-\/.])[0-9]{1,2}\1[0-9]/';

    /** The date as ISO 8601; null when the text is none in this order, or no day of the calendar. */
    public function iso(string $text): ?string
    {
        $time = '(?:[T ]\s*(?<h>[0-9]{1,2}):(?<i>[0-9]{2})(?::(?<s>[0-9]{2}))?Z?)?';
        $pattern = match ($this) {
            self::YearFirst => '(?<y>[0-9]{4})(?<sep>[\-\/.])(?<m>[0-9]{1,2})\k<sep>(?<d>[0-9]{1,2})',
            self::DayFirst => '(?<d>[0-9]{1,2})(?<sep>[\-\/.])(?<m>[0-9]{1,2})\k<sep>(?<y>[0-9]{4})',
            self::MonthFirst => '(?<m>[0-9]{1,2})(?<sep>[\-\/.])(?<d>[0-9]{1,2})\k<sep>(?<y>[0-9]{4})',
        };
        if (preg_match("/^\\s*{$pattern}{$time}\\s*$/D", $text, $part) !== 1 || !checkdate((int) $part['m'], (int) $part['d'], (int) $part['y'])) {
            return null;
        }
        $date = sprintf('%04d-%02d-%02d', (int) $part['y'], (int) $part['m'], (int) $part['d']);
        $hour = $part['h'] ?? '';
        if ($hour === '') {
            return $date;
        }
        $second = $part['s'] ?? '';
        if ((int) $hour > 23 || (int) ($part['i'] ?? '') > 59 || (int) $second > 59) {
            return null;
        }

        return $date . sprintf('T%02d:%s', (int) $hour, $part['i'] ?? '') . ($second === '' ? '' : ":{$second}");
    }

    /** The same with day and month in each other's place; years that come first have no other. */
    public function turned(): self
    {
        return match ($this) {
            self::DayFirst => self::MonthFirst,
            self::MonthFirst => self::DayFirst,
            self::YearFirst => self::YearFirst,
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
