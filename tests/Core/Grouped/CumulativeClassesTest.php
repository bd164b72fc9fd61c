<?php

declare(strict_types=1);

namespace Tests\Core\Grouped;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Frequency\FrequencyKind;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\ClassRow;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Values\Exact;

/** Labels that need more than being read one by one. */
final class CumulativeClassesTest extends TestCase
{
    public function test_counts_that_add_up_as_they_go_are_taken_apart(): void
    {
        self::assertSame([[0.0, 5.0, 3.0], [5.0, 10.0, 4.0], [10.0, 20.0, 2.0]], self::rows(['under 10' => 7, 'under 5' => 3, 'under 20' => 9], new ClassReading(isCumulative: true)));
        self::assertSame([[5.0, 10.0, 2.0], [10.0, 20.0, 4.0], [20.0, 30.0, 3.0]], self::rows(['over 5' => 9, 'over 10' => 7, 'over 20' => 3], new ClassReading(isCumulative: true)));
    }

    public function test_it_is_asked_whether_counts_add_up(): void
    {
        $this->expectExceptionObject(NotUnderstood::looksCumulative('under 5', 'under 10'));
        self::rows(['under 10' => 7, 'under 5' => 3], new ClassReading());
    }

    public function test_counts_that_do_not_rise_are_named(): void
    {
        $this->expectExceptionObject(NotUnderstood::notCumulative('under 5', 'under 10'));
        self::rows(['under 10' => 7, 'under 5' => 8], new ClassReading(isCumulative: true));
    }

    /** @return iterable<string, array{array<string, int>, NotUnderstood}> */
    public static function overlaps(): iterable
    {
        yield 'two open at the top' => [['36-47' => 1, '48+' => 2, '60+' => 3], NotUnderstood::classesOverlap('48+', '60+')];
        yield 'two open at the bottom' => [['under 6' => 1, 'under 12' => 2, '12-17' => 3], NotUnderstood::classesOverlap('under 6', 'under 12')];
        yield 'a class above an open one' => [['0-5' => 1, '6+' => 2, '12-17' => 3], NotUnderstood::classesOverlap('6+', '12-17')];
        yield 'not cumulative, by word' => [['under 5' => 1, 'under 10' => 2, '10-14' => 3], NotUnderstood::classesOverlap('under 5', 'under 10')];
    }

    /** @param array<string, int> $counts */
    #[DataProvider('overlaps')]
    public function test_classes_beyond_an_open_end_overlap_it(array $counts, NotUnderstood $refusal): void
    {
        $this->expectExceptionObject($refusal);
        self::rows($counts, new ClassReading());
    }

    public function test_single_values_are_classes_of_rounded_values(): void
    {
        self::assertSame([[-0.5, 0.5, 1.0], [0.5, 1.5, 2.0], [1.5, 3.5, 3.0], [3.5, 5.5, 4.0]], self::rows(['0' => 1, '1' => 2, '2–3' => 3, '4+' => 4], new ClassReading()));
        $this->expectExceptionObject(NotUnderstood::classWithoutWidth('0'));
        self::rows(['0' => 1, '1' => 2, '2–3' => 3], new ClassReading(StatedLimits::Boundaries));
    }

    public function test_an_open_class_goes_on_behind_the_last_limit(): void
    {
        self::assertSame([[5.5, 11.5, 1.0], [11.5, 17.5, 2.0], [17.5, 23.5, 3.0]], self::rows(['6-11' => 1, '12-17' => 2, '>17' => 3], new ClassReading()));
        self::assertSame([[-0.5, 5.5, 1.0], [5.5, 11.5, 2.0], [11.5, 17.5, 3.0]], self::rows(['<6' => 1, '6-11' => 2, '12–17' => 3], new ClassReading()));
    }

    public function test_the_mark_of_the_column_decides_what_a_comma_is(): void
    {
        self::assertSame([[999.5, 1999.5, 1.0], [1999.5, 2999.5, 2.0]], self::rows(['1,000-1,999' => 1, '2,000-2,999' => 2], new ClassReading()));
        self::assertSame([[0.9995, 1.9995, 1.0], [1.9995, 2.9995, 2.0]], self::rows(['1,000-1,999' => 1, '2,000-2,999' => 2], new ClassReading(decimalMark: ',')));
    }

    /**
     * @param array<string, int> $counts
     *
     * @return list<array{float|null, float|null, float|null}> boundaries and counts
     */
    private static function rows(array $counts, ClassReading $reading): array
    {
        $profile = GroupedProfile::of(new FrequencyTable(FrequencyKind::Labels, array_map(strval(...), array_keys($counts)), [array_values($counts)], [0]), $reading);

        return array_map(static fn(ClassRow $row): array => array_map(Exact::toFloat(...), [$row->lower, $row->upper, $row->count]), $profile->columns[0]->table->rows);
    }
}
