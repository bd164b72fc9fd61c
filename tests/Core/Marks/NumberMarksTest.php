<?php

declare(strict_types=1);

namespace Tests\Core\Marks;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Display\Percent;
use RowTally\Core\Marks\NumberMarks;
use RuntimeException;

final class NumberMarksTest extends TestCase
{
    private const BLANK = "\u{A0}";

    /** @return iterable<string, array{NumberMarks, list<string>}> */
    public static function marks(): iterable
    {
        yield 'the standard' => [new NumberMarks(), ['−12345.67', '2026', '0.50', '1.25 × 10²⁰', '1,204', '33.3', '2026-03-21', '2.5']];
        yield 'commas and points' => [new NumberMarks('comma', 'point', 'hyphen', 'day-first-points'), ['-12.345,67', '2026', '0,50', '1,25 × 10²⁰', '1.204', '33,3', '21.03.2026', '2,5']];
        yield 'commas and blanks' => [new NumberMarks('comma', 'blank', 'minus', 'day-first'), ['−12' . self::BLANK . '345,67', '2026', '0,50', '1,25 × 10²⁰', '1' . self::BLANK . '204', '33,3', '21/03/2026', '2,5']];
        yield 'commas, and a mark in counts alone' => [new NumberMarks('comma'), ['−12345,67', '2026', '0,50', '1,25 × 10²⁰', '1' . self::BLANK . '204', '33,3', '2026-03-21', '2,5']];
        yield 'points and apostrophes' => [new NumberMarks('point', 'apostrophe', days: 'month-first'), ['−12’345.67', '2026', '0.50', '1.25 × 10²⁰', '1’204', '33.3', '03/21/2026', '2.5']];
        yield 'no mark at all' => [new NumberMarks('point', 'none'), ['−12345.67', '2026', '0.50', '1.25 × 10²⁰', '1204', '33.3', '2026-03-21', '2.5']];
    }

    /** @param list<string> $expected */
    #[DataProvider('marks')]
    public function test_every_number_for_the_eye_has_the_marks_in_force(NumberMarks $marks, array $expected): void
    {
        $written = $marks->during(static fn(): array => [
            DecimalText::of(-12345.674, 2),
            DecimalText::of(2026, 0),
            DecimalText::significant(0.5, 2),
            DecimalText::of(1.25e20, null),
            NumberMarks::count(1204),
            Percent::text(1, 3),
            NumberMarks::inForce()->day('2026-03-21'),
            DecimalText::whole(BigDecimal::of('2.50')),
        ]);

        self::assertSame($expected, $written);
        self::assertTrue(NumberMarks::inForce()->isStandard, 'others are in force no longer');
    }

    public function test_the_marks_before_are_in_force_again_after_a_failure(): void
    {
        try {
            (new NumberMarks('comma'))->during(static fn(): never => throw new RuntimeException());
        } catch (RuntimeException) {
        }

        self::assertSame('1.5', DecimalText::of(1.5, 1));
    }

    public function test_a_count_that_is_kept_is_written_for_whoever_reads_it(): void
    {
        $kept = NumberMarks::keptCount(1204) . ' rows deleted of v7.5: ' . NumberMarks::keptNumber('-0.5') . ' became ' . NumberMarks::keptNumber('1.2.3');

        self::assertSame('1,204 rows deleted of v7.5: -0.5 became 1.2.3', (new NumberMarks())->read($kept));
        self::assertSame('1.204 rows deleted of v7.5: −0,5 became 1.2.3', (new NumberMarks('comma', 'point'))->read($kept));
    }

    public function test_figures_of_the_standard_are_written_anew_and_names_are_left_alone(): void
    {
        $marks = new NumberMarks('comma', 'point');

        self::assertSame('5,8 to 12,3', $marks->rewritten('5.8 to 12.3'));
        self::assertSame('1.204 of v1.5, −0,25', $marks->rewritten('1,204 of v1.5, −0.25'));
    }

    public function test_a_sentence_is_the_same_whoever_it_was_written_for(): void
    {
        foreach ([['12.5 kg of 1,204 rows, −3', '12,5 kg of 1.204 rows, -3'], ['1 234.5', '1 234.5'], ['1’234.50', '1.234,50'], ['v1.234', 'v1,234']] as [$one, $other]) {
            self::assertTrue(NumberMarks::saySame($one, $other), $one);
        }
        foreach ([['12.5 kg', '12.6 kg'], ['1.5', '15'], ['1,204 rows', '1.205 rows'], ['12.5 kg', '12.5 g'], ['5 and 6', '5'], ['−3', '3'], ['1.234.567', '1.234']] as [$one, $other]) {
            self::assertFalse(NumberMarks::saySame($one, $other), $one);
        }
    }

    public function test_no_mark_stands_for_two_things(): void
    {
        self::assertSame(['decimal' => 'comma', 'thousands' => 'counts', 'minus' => 'minus', 'days' => 'year-first'], NumberMarks::ofWords(['decimal' => 'comma', 'thousands' => 'comma', 'days' => 'never'])->toWords());
        self::assertTrue(NumberMarks::ofWords('nonsense')->isStandard);
    }
}
