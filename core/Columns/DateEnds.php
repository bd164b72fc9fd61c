<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use DateTimeImmutable;
use RowTally\Core\Marks\NumberMarks;

/** The first and the last of a date column, of the rows that are in. ISO 8601 texts are in the order of time as they are in that of the alphabet. */
final class DateEnds
{
    /**
     * @param list<Chunk> $chunks
     *
     * @return array{string, string}|null null without any
     */
    public static function of(array $chunks, Grouping $in): ?array
    {
        $first = $last = null;
        foreach ($chunks as $number => $chunk) {
            $codes = $in->isWhole() ? null : array_values($in->codes($number));
            foreach ($chunk->texts() as $row => $text) {
                if ($text !== null && $text !== '' && ($codes === null || $codes[$row] === 0)) {
                    $first = $first === null || $text < $first ? $text : $first;
                    $last = $last === null || $text > $last ? $text : $last;
                }
            }
        }

        return $first === null || $last === null ? null : [$first, $last];
    }

    /** How many days lie from one to the other, as it is said. */
    public static function span(string $first, string $last): string
    {
        if (!str_contains($first, '-')) {
            // Times of day.
            $minutes = intdiv(abs((int) strtotime("{$last} UTC", 0) - (int) strtotime("{$first} UTC", 0)), 60);

            return $minutes < 60 ? "{$minutes} min" : intdiv($minutes, 60) . ' h ' . $minutes % 60 . ' min';
        }
        $days = (new DateTimeImmutable(substr($first, 0, 10)))->diff(new DateTimeImmutable(substr($last, 0, 10)))->days;

        return match ($days) {
            0 => 'the same day',
            1 => '1 day',
            default => NumberMarks::count($days) . ' days',
        };
    }
}
