<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\NearLabels;
use RowTally\Core\Parsing\SpreadsheetText;
use RowTally\Core\Parsing\TotalRow;

final class NearLabelsTest extends TestCase
{
    public function test_the_rarer_of_two_near_labels_may_be_meant_as_the_commoner(): void
    {
        $pairs = NearLabels::of(['Alder Wick', 'ALDER WICK', 'Alderwick', 'Brook End', 'Brok End', 'Brook Edn', 'Dunmere'], [50, 1, 2, 40, 1, 1, 30]);

        self::assertSame([
            ['from' => 'Alderwick', 'to' => 'Alder Wick'],
            ['from' => 'ALDER WICK', 'to' => 'Alder Wick'],
            ['from' => 'Brok End', 'to' => 'Brook End'],
            ['from' => 'Brook Edn', 'to' => 'Brook End'],
        ], $pairs);
    }

    public function test_short_labels_and_numbers_one_off_are_different_labels(): void
    {
        self::assertSame([], NearLabels::of(['A1', 'A2', '2023', '2024', 'yes', 'yet', 'north', 'south'], [1, 2, 3, 4, 5, 6, 7, 8]));
    }

    public function test_a_total_row_says_so_in_its_first_entry(): void
    {
        self::assertTrue(TotalRow::looksLikeOne(['', 'Total', '12']));
        self::assertTrue(TotalRow::looksLikeOne(['Grand total:', '', '12']));
        self::assertTrue(TotalRow::looksLikeOne(['Summe', '12']));
        self::assertFalse(TotalRow::looksLikeOne(['Totalitarian', '12']));
        self::assertFalse(TotalRow::looksLikeOne(['Total']), 'one column is a list of labels');
    }

    public function test_dates_are_read_in_their_order_and_written_as_iso(): void
    {
        self::assertSame('2026-03-21', DateText::DayFirst->iso('21.3.2026'));
        self::assertSame('2026-03-21', DateText::MonthFirst->iso('03/21/2026'));
        self::assertSame('2026-03-21T14:05', DateText::YearFirst->iso('2026-03-21 14:05'));
        self::assertNull(DateText::DayFirst->iso('30.2.2026'), 'no day of the calendar');
        self::assertNull(DateText::DayFirst->iso('21.3-2026'));
        self::assertSame([DateText::DayFirst, DateText::MonthFirst, null], [DateText::recognise(['01/02/2026', '13/02/2026']), DateText::recognise(['01/02/2026', '02/13/2026', '02/14/2026']), DateText::recognise(['x', 'y', '01/02/2026'])]);
    }

    public function test_a_text_made_harmless_comes_back_as_it_was(): void
    {
        foreach (['=1+1', '+4', '-x', '@a', "\tx", "\n=1+1", "\nx", ' =1', "\u{A0}@a", '＝1+1', '＋4', "'＝1", "'=1", "''=1", "it's", "'quoted'", 'plain', ''] as $text) {
            self::assertSame($text, SpreadsheetText::original(SpreadsheetText::harmless($text)));
            self::assertDoesNotMatchRegularExpression('/^(?:[\t\r\n]|[\s\p{Z}]*[=+\-@＝＋])/u', SpreadsheetText::harmless($text));
        }
    }
}
