<?php

declare(strict_types=1);

namespace Tests\Core\Grouped;

use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Grouped\Amendments;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\ClassRow;
use RowTally\Core\Grouped\ClassTable;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Parsing\ClassLabel;

final class AmendmentsTest extends TestCase
{
    private const LABELS = ['under 6', '6-11', '12-17', '18 and over'];

    public function test_a_boundary_belongs_to_both_classes_beside_it(): void
    {
        self::assertSame(
            ['-1/2 to 11/2, 5/2', '11/2 to 12, 35/4', '12 to 35/2, 59/4', '35/2 to 47/2, 41/2'],
            self::rows('edge2:12'),
        );
    }

    public function test_open_classes_take_a_width_from_their_closed_side(): void
    {
        self::assertSame(['-14/2 to 11/2', '35/2 to 75/2'], array_map(static fn(string $row): string => str_replace('-7 ', '-14/2 ', explode(',', $row)[0]), [self::rows('width0:12.5,width3:20')[0], self::rows('width0:12.5,width3:20')[3]]));
    }

    public function test_a_midpoint_that_is_known_stands_where_it_is_said(): void
    {
        self::assertSame('35/2 to 47/2, 22', self::rows('middle3:22')[3]);
    }

    public function test_the_rounding_unit_moves_boundaries_where_the_labels_leave_it_open(): void
    {
        self::assertSame('11/2 to 23/2, 17/2', self::rows('', ['6-11', 'over 11'], 0, StatedLimits::Rounded));
        self::assertSame('119/20 to 221/20, 17/2', self::rows('unit:0.1', ['6-11', 'over 11'], 0, StatedLimits::Rounded));
    }

    public function test_a_rounding_unit_that_the_labels_contradict_is_refused(): void
    {
        $this->expectExceptionMessage('overlap');
        self::rows('unit:2', ['6-10', '11-15']);
    }

    public function test_what_was_changed_is_said_with_the_labels(): void
    {
        $table = self::table(Amendments::none(), self::LABELS);
        self::assertSame(
            'rounding unit 0.5; “under 6” from −3; “6-11” up to 12; “18 and over” 10 wide; midpoint of “6-11” 8',
            Amendments::ofWord('edge0:-3,width3:10,middle1:8,unit:0.5,edge2:12')->words($table->rows),
        );
    }

    /** @return iterable<string, array{string, string}> */
    public static function mistakes(): iterable
    {
        yield 'no words' => ['wide', '"wide" changes nothing about classes'];
        yield 'no place' => ['edge:3', '"edge:3" changes nothing'];
        yield 'a unit has no place' => ['unit1:3', '"unit1:3" changes nothing'];
        yield 'nothing is 0 wide' => ['width3:0', '"width3:0" changes nothing'];
        yield 'no such class' => ['middle9:3', 'no place 9 among the classes: places go from 0, the lowest, to 3'];
        yield 'backwards' => ['edge1:12', 'The class "6-11" runs backwards'];
        yield 'a stated width' => ['width1:3', '"6-11" has both limits'];
        yield 'a midpoint outside' => ['middle1:12', 'The midpoint of "6-11" lies outside its boundaries'];
    }

    #[DataProvider('mistakes')]
    public function test_mistakes_are_answered_in_words(string $word, string $sentence): void
    {
        $this->expectException(NotUnderstood::class);
        $this->expectExceptionMessage($sentence);
        self::rows($word);
    }

    /**
     * @param list<string> $labels
     *
     * @return ($only is null ? list<string> : string) boundaries and midpoints
     */
    private static function rows(string $word, array $labels = self::LABELS, ?int $only = null, ?StatedLimits $limits = null): array|string
    {
        $rows = array_map(static fn(ClassRow $row): string => "{$row->lower} to {$row->upper}, {$row->midpoint}", self::table(Amendments::ofWord($word), $labels, $limits)->rows);

        return $only === null ? $rows : $rows[$only];
    }

    /** @param list<string> $labels */
    private static function table(Amendments $amendments, array $labels, ?StatedLimits $limits = null): ClassTable
    {
        return ClassTable::of(
            array_map(static fn(string $label): ClassLabel => ClassLabel::parse($label) ?? self::fail("{$label} is a class"), $labels),
            array_fill(0, count($labels), BigRational::one()),
            new ClassReading($limits, $amendments),
        );
    }
}
