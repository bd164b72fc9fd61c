<?php

declare(strict_types=1);

namespace Tests\Core\Grouped;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Frequency\FrequencyKind;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\Amendments;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

final class GroupedProfileTest extends TestCase
{
    /** @return iterable<string, array{list<string>, bool}> */
    public static function labels(): iterable
    {
        yield 'all of them' => [['0-4', '5-9', '10+'], true];
        yield 'and a total' => [['0-4', '5-9', 'together'], true];
        yield 'two that are none' => [['0-4', '5-9', 'together', 'not said'], false];
        yield 'one class is none' => [['0-4', 'together'], false];
        yield 'names' => [['heather', 'lime'], false];
        yield 'nothing' => [[], false];
    }

    /** @param list<string> $labels */
    #[DataProvider('labels')]
    public function test_a_category_reads_as_classes_when_two_do_and_at_most_one_does_not(array $labels, bool $reads): void
    {
        self::assertSame($reads, GroupedProfile::readsAsClasses(self::table($labels, [array_fill(0, count($labels), 1)])));
    }

    public function test_figures_stand_overall_and_by_group_in_the_unit_of_the_counts(): void
    {
        // Counts in tenths: 2.5 and 7.5 overall, 2.5 and 0 in the first group. Mean (2 × 2.5 + 7 × 7.5)/10.
        $profile = GroupedProfile::of(self::table(['5-9', '0-4'], [[75, 25], [0, 25], [75, 0]], 1));
        $figures = array_column($profile->figures(new Basis(takenAs: SampleOrPopulation::Population)), null, 'key');

        self::assertSame([10.0, 2.5, 7.5], self::doubles($figures['n']['figures']));
        self::assertSame([5.75, 2.0, 7.0], self::doubles($figures['mean']['figures']));
        self::assertSame(['N', 'µ', 'σ', 'σ²'], array_column(array_slice($figures, 0, 4), 'symbol'));
        self::assertSame(0.0, (float) $figures['sd']['figures'][1]->value);
        self::assertSame(['5-9'], $profile->modalClasses());
        self::assertSame('10.0', $profile->text($figures['n']['figures'][0], $figures['n']['shownAs'], new Basis()));
        self::assertSame('5.8', $profile->text($figures['mean']['figures'][0], $figures['mean']['shownAs'], new Basis()));
        self::assertSame('5.7500', $profile->text($figures['mean']['figures'][0], $figures['mean']['shownAs'], new Basis(decimals: ShownDecimals::ofWord('s5'))));
    }

    public function test_an_empty_group_says_why_it_has_no_figure(): void
    {
        $profile = GroupedProfile::of(self::table(['0-4', '5-9'], [[3, 1], [0, 0], [1, 0]]));
        $figures = array_column($profile->figures(new Basis()), null, 'key');

        self::assertSame([null, Reason::NeedsOneValue, Reason::NeedsMoreThanOne], [$figures['mean']['figures'][1]->value, $figures['mean']['figures'][1]->reason, $figures['sd']['figures'][2]->reason]);
        self::assertNull($profile->text($figures['mean']['figures'][1], $figures['mean']['shownAs'], new Basis()));
    }

    public function test_an_interpolated_mode_needs_one_densest_class(): void
    {
        $mode = static fn(int ...$counts): Figure => array_column(GroupedProfile::of(self::table(['0-4', '5-9', '10-19'], [$counts]))->figures(new Basis()), null, 'key')['mode']['figures'][0];

        // 4.5 + (1 − 0.4)/((1 − 0.4) + (1 − 0.3)) × 5: 10-19 is twice as wide, so its density is 0.3.
        self::assertSame(177 / 26, $mode(2, 5, 3)->value);
        self::assertSame(Reason::SeveralModalClasses, $mode(2, 2, 4)->reason);
    }

    public function test_quartiles_are_interpolated_at_a_quarter_a_half_and_three_quarters_of_the_counts(): void
    {
        // Boundaries −0.5, 9.5, 19.5, 29.5 under 4, 8 and 8: the 5th, 10th and 15th lie 1, 6 and 3 eighths into the second and third class.
        $profile = GroupedProfile::of(self::table(['0-9', '10-19', '20-29'], [[4, 8, 8], [0, 0, 0]]));
        $figures = array_column($profile->figures(new Basis()), null, 'key');

        self::assertSame([10.75, 17.0, 23.25, 12.5, 330.0], array_map(static fn(string $key): float => (float) $figures[$key]['figures'][0]->value, ['q1', 'median', 'q3', 'iqr', 'sum']));
        foreach (['q1', 'median', 'q3', 'iqr', 'mode', 'sum'] as $key) {
            self::assertSame([null, Reason::NeedsOneValue], [$figures[$key]['figures'][1]->value, $figures[$key]['figures'][1]->reason], $key);
        }
        self::assertSame(['n', 's', 's²'], [$figures['n']['symbol'], $figures['sd']['symbol'], $figures['variance']['symbol']]);
        self::assertLessThanOrEqual(-0.5, $profile->axis()->from);
        self::assertGreaterThanOrEqual(29.5, $profile->axis()->to);
    }

    public function test_labels_that_do_not_add_up_as_they_go_are_the_same_whatever_is_said_of_it(): void
    {
        $means = array_map(static fn(?bool $isCumulative): mixed => array_column(GroupedProfile::of(self::table(['0-4', '5-9'], [[1, 3]]), new ClassReading(isCumulative: $isCumulative))->figures(new Basis()), null, 'key')['mean']['figures'][0]->value, [null, true, false]);
        self::assertSame([5.75, 5.75, 5.75], $means);
    }

    public function test_how_classes_were_taken_is_said_in_sentences(): void
    {
        $words = GroupedProfile::of(self::table(['0-4', 'together', '5-9'], [[2, 5, 3]]), new ClassReading(amendments: Amendments::ofWord('edge1:5,unit:1')))->words(['North', 'South']);
        self::assertStringContainsString('Counts of a group each are in North, South.', $words);
        self::assertStringContainsString('Changed by hand: rounding unit 1; “0-4” up to 5.', $words);
        self::assertStringContainsString('"together" is the sum of the others and was left out.', $words);
    }

    public function test_a_row_that_is_the_sum_of_the_others_is_no_class(): void
    {
        $profile = GroupedProfile::of(self::table(['0-4', 'together', '5-9'], [[2, 5, 3]]), new ClassReading(StatedLimits::Completed));

        self::assertSame(['together', 2, StatedLimits::Completed], [$profile->total, count($profile->columns[0]->table->rows), $profile->columns[0]->table->limits]);
        $this->expectException(NotUnderstood::class);
        GroupedProfile::of(self::table(['0-4', 'not said', '5-9'], [[2, 4, 3]]));
    }

    public function test_counts_of_nothing_but_zero_are_refused(): void
    {
        $this->expectException(NotUnderstood::class);
        $this->expectExceptionMessage('All counts are 0.');
        GroupedProfile::of(self::table(['0-4', '5-9'], [[0, 0]]));
    }

    /**
     * @param list<string>    $labels
     * @param list<list<int>> $counts
     */
    private static function table(array $labels, array $counts, int $decimals = 0): FrequencyTable
    {
        return new FrequencyTable(FrequencyKind::Labels, $labels, $counts, array_fill(0, count($counts), 0), $decimals);
    }

    /**
     * @param list<Figure> $figures
     *
     * @return list<float>
     */
    private static function doubles(array $figures): array
    {
        return array_map(static fn(Figure $figure): float => (float) $figure->value, $figures);
    }
}
