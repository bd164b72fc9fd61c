<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\DateEnds;
use RowTally\Core\Parsing\DateText;

final class DateTextTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> */
    public static function dates(): iterable
    {
        yield 'a month in words' => ['13 Jan 2024', '2024-01-13'];
        yield 'with dashes and two digits' => ['13-Jan-24', '2024-01-13'];
        yield 'two digits of the last century' => ['13-Jan-69', '1969-01-13'];
        yield 'the month first' => ['January 13, 2024', '2024-01-13'];
        yield 'the month first, short' => ['Jan 13 2024', '2024-01-13'];
        yield 'the year first' => ['2024-Jan-13', '2024-01-13'];
        yield 'a weekday before it' => ['Sat, 13 Jan 2024', '2024-01-13'];
        yield 'an ordinal' => ['13th of January 2024', '2024-01-13'];
        yield 'German' => ['13. Dezember 2024', '2024-12-13'];
        yield 'French' => ['13 août 2024', '2024-08-13'];
        yield 'Spanish' => ['13 de enero de 2024', '2024-01-13'];
        yield 'no day of the calendar' => ['31 Feb 2024', null];
        yield 'no month' => ['13 Foo 2024', null];
        yield 'with a time' => ['13 Jan 2024 14:05', '2024-01-13T14:05'];
        yield 'ISO with a zone' => ['2024-01-13T10:30:00+02:00', '2024-01-13T08:30:00Z'];
        yield 'ISO over midnight' => ['2024-01-01T00:30+0200', '2023-12-31T22:30Z'];
        yield 'ISO in UTC' => ['2024-01-13T10:30:15.250Z', '2024-01-13T10:30:15Z'];
        yield 'a half of the day' => ['2024-01-13 3:05 PM', '2024-01-13T15:05'];
        yield 'midnight' => ['2024-01-13 12:00 am', '2024-01-13T00:00'];
        yield 'a thirteenth hour of a half' => ['2024-01-13 13:05 PM', null];
        yield 'no hour' => ['2024-01-13 25:00', null];
    }

    #[DataProvider('dates')]
    public function test_dates_are_written_as_iso(string $text, ?string $iso): void
    {
        self::assertSame($iso, DateText::YearFirst->iso($text));
    }

    public function test_months_in_words_leave_no_doubt(): void
    {
        self::assertNull(DateText::DayFirst->readTwoWays(['03 Apr 2026', '05-Jun-26']));
        self::assertSame(DateText::YearFirst, DateText::recognise(['13 Jan 2024', 'Feb 1, 2024', '3 Mar 2024']));
    }

    public function test_times_of_day_are_an_order_of_their_own(): void
    {
        self::assertSame(['07:45', '18:05:30', '00:10', null, null], array_map(DateText::TimeOfDay->iso(...), ['7:45', '6:05:30 pm', '12:10am', '24:00', '2024-01-13 10:00']));
        self::assertSame(DateText::TimeOfDay, DateText::recognise(['07:45', '18:05', 'n/a']));
        self::assertSame([DateText::TimeOfDay, DateText::YearFirst], [DateText::ofStored(['', '07:45']), DateText::ofStored(['', '2024-01-13'])]);
        self::assertSame(['10 h 20 min', '15 min', '1 day'], [DateEnds::span('07:45', '18:05'), DateEnds::span('07:45:00', '08:00'), DateEnds::span('2024-01-13', '2024-01-14T10:00Z')]);
    }
}
