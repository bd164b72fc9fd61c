<?php

declare(strict_types=1);

namespace Tests\Core\Readings;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Comparison\ComparedPairs;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Frequency\FrequencyKind;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Readings\ClassesSubject;
use RowTally\Core\Readings\GoodDirection;
use RowTally\Core\Readings\GroupsAgainst;
use RowTally\Core\Readings\GroupsSubject;
use RowTally\Core\Readings\LabelsSubject;
use RowTally\Core\Readings\PairsAgainst;
use RowTally\Core\Readings\Readings;
use RowTally\Core\Readings\RowWord;
use RowTally\Core\Readings\Wording;
use Tests\Core\Support\Numbers;

/** Rules of groups, of labels and of what is compared: where each must speak, where it must be silent, and its boundary. */
final class GroupReadingsTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, list<int|float>>, string|null}> */
    public static function besideOneAnother(): iterable
    {
        $low = [1, 2, 3, 4, 5];
        $high = [21, 22, 23, 24, 25];

        yield 'centre: two' => ['groups_centre', ['A' => $low, 'B' => $high], 'B has the highest mean (23.0 kg), A the lowest (3.0): 20.0 kg apart, 1.9 overall SDs.'];
        yield 'centre: only one has five' => ['groups_centre', ['A' => $low, 'B' => [21, 22, 23, 24]], null];
        yield 'centre: a tie is named' => ['groups_centre', ['A' => $low, 'B' => $high, 'C' => $high], 'B and C have the highest mean (23.0 kg), A the lowest (3.0): 20.0 kg apart'];
        yield 'centre: a tie below' => ['groups_centre', ['A' => $low, 'B' => $high, 'C' => $low], 'B has the highest mean (23.0 kg), A and C share the lowest (3.0)'];
        yield 'centre: all the same' => ['groups_centre', ['A' => $low, 'B' => $low], 'All groups have the same mean (3.0 kg).'];
        yield 'order: another one' => ['groups_order_differs', ['A' => [1, 2, 3, 4, 90], 'B' => [4, 5, 6, 7, 8]], 'A has the highest mean but B the highest median.'];
        yield 'order: the same' => ['groups_order_differs', ['A' => $low, 'B' => $high], null];
        yield 'order: one of those with the highest mean has the highest median' => ['groups_order_differs', ['A' => [1, 2, 3, 4, 10], 'B' => [2, 3, 4, 5, 6]], null];
        yield 'spread: three times' => ['groups_spread', ['A' => $low, 'B' => [3, 6, 9, 12, 15]], 'B varies most (SD 4.7), 3.0 times as much as A (SD 1.6).'];
        yield 'spread: just twice' => ['groups_spread', ['A' => $low, 'B' => [2, 4, 6, 8, 10]], null];
        yield 'spread: a little more than twice' => ['groups_spread', ['A' => $low, 'B' => [2, 4, 6, 8, 10.1]], 'B varies most'];
        yield 'spread: the smallest is none' => ['groups_spread', ['A' => [4, 4, 4, 4, 4], 'B' => $low], null];
        yield 'apart: wholly' => ['groups_apart', ['A' => $low, 'B' => $high], 'The middle halves of B and A do not overlap.'];
        yield 'apart: they touch' => ['groups_apart', ['A' => $low, 'B' => [4, 5, 6, 7, 8]], null];
        yield 'apart: just not' => ['groups_apart', ['A' => $low, 'B' => [4.1, 5, 6, 7, 8]], 'The middle halves of B and A do not overlap.'];
        yield 'small: two' => ['groups_small', ['A' => $low, 'B' => [1, 2, 3], 'C' => [1]], 'Two groups have fewer than 5 hives: B (3) and C (1).'];
        yield 'small: one' => ['groups_small', ['A' => $low, 'B' => [1, 2, 3, 4]], 'One group has fewer than 5 hives: B (4).'];
        yield 'small: none' => ['groups_small', ['A' => $low, 'B' => $high], null];
        yield 'all: only one group has two values' => ['groups_small', ['A' => $low, 'B' => [1]], null];
    }

    /** @param array<string, list<int|float>> $groups */
    #[DataProvider('besideOneAnother')]
    public function test_groups_beside_one_another(string $key, array $groups, ?string $sentence): void
    {
        $all = array_merge(...array_values($groups));
        $named = array_map(static fn(string $name): array => [$name, self::of($groups[$name])], array_keys($groups));
        self::assertSaid($key, $sentence, array_column(Readings::ofGroups(new GroupsSubject(self::of($all), $named, self::wording())), 'sentence', 'key'));
    }

    /** @return iterable<string, array{string, list<int|float>, list<int|float>, string|null, 4?: GoodDirection}> */
    public static function compared(): iterable
    {
        yield 'difference: above' => ['difference', [1, 2, 3, 4, 5], [11, 12, 13, 14, 15], 'B’s mean is 10.0 kg above A’s (333.3 %; 95 % interval of the difference 7.7 to 12.3).'];
        yield 'difference: better' => ['difference', [1, 2, 3, 4, 5], [11, 12, 13, 14, 15], '7.7 to 12.3). That is better.', GoodDirection::More];
        yield 'difference: worse' => ['difference', [1, 2, 3, 4, 5], [11, 12, 13, 14, 15], '7.7 to 12.3). That is worse.', GoodDirection::Fewer];
        yield 'difference: the interval holds 0' => ['difference', [1, 2, 3, 4, 5], [2, 3, 4, 5, 6], 'B’s mean is 1.0 kg above A’s (33.3 %; 95 % interval of the difference −1.3 to 3.3); the interval holds 0.', GoodDirection::More];
        yield 'difference: below, without an interval' => ['difference', [5], [4], 'B’s mean is 1.0 kg below A’s (20.0 %).'];
        yield 'difference: none' => ['difference', [1, 2, 3], [2, 1, 3], 'B’s mean is the same as A’s'];
        yield 'difference: one is empty' => ['difference', [], [4], null];
        yield 'chance: five each' => ['chance_above', [1, 2, 3, 4, 5], [2, 3, 4, 5, 6], 'A hive of B drawn at random lies above one of A in 68 of 100 draws, equal ones counted half.'];
        yield 'chance: always' => ['chance_above', [1, 2, 3, 4, 5], [12, 13, 14, 15, 16], 'in 100 of 100 draws'];
        yield 'chance: four' => ['chance_above', [1, 2, 3, 4], [2, 3, 4, 5, 6], null];
        yield 'range: against its middle' => ['range_against_middle', [10, 20, 21, 22, 23, 24, 60], [10, 14, 16, 25, 34, 36, 50], 'The range of B is narrower (40 against 50), but its middle half is wider (22.0 against 4.0): a few hives make the range of A. Without its largest value, 60, alone it would be 14 kg.'];
        yield 'range: the same direction' => ['range_against_middle', [10, 20, 21, 22, 23, 24, 60], [20, 21, 22, 23, 24, 25, 26], null];
        yield 'range: by just a tenth' => ['range_against_middle', [0, 40, 41, 42, 43, 44, 100], [0, 20, 30, 42, 50, 60, 90], 'The range of B is narrower (90 against 100)'];
        yield 'range: by less than a tenth' => ['range_against_middle', [0, 40, 41, 42, 43, 44, 100], [0, 20, 30, 42, 50, 60, 91], null];
        yield 'spread: the same centre' => ['centre_against_spread', [8, 9, 10, 11, 12], [6, 8, 10, 12, 14], 'Much the same centre, but B varies 2.0 times as much.'];
        yield 'spread: by a factor of just 1.5' => ['centre_against_spread', [8, 9, 10, 11, 12], [7, 8.5, 10, 11.5, 13], null];
        yield 'spread: another centre' => ['centre_against_spread', [8, 9, 10, 11, 12], [7, 9, 11, 13, 15], null];
        yield 'spread: one does not vary' => ['centre_against_spread', [10, 10, 10], [8, 10, 12], null];
    }

    /**
     * @param list<int|float> $first
     * @param list<int|float> $second
     */
    #[DataProvider('compared')]
    public function test_two_groups_against_each_other(string $key, array $first, array $second, ?string $sentence, ?GoodDirection $good = null): void
    {
        $compared = new ComparedGroups(self::of($first), self::of($second), new Basis());
        self::assertSaid($key, $sentence, array_column(Readings::ofComparedGroups(new GroupsAgainst($compared, 'A', 'B', self::wording(), $good)), 'sentence', 'key'));
    }

    /** @return iterable<string, array{string, list<int>, list<int>, string|null, 4?: GoodDirection}> */
    public static function paired(): iterable
    {
        yield 'change: fewer' => ['change', [9, 8, 7, 9], [2, 2, 1, 2], 'Of 4 hives 4 fell from Before to After, 0 rose, 0 stayed as they were; on average 6.5 kg lower (95 % interval 5.6 to 7.4).'];
        yield 'change: fewer is better' => ['change', [9, 8, 7, 9], [2, 2, 1, 2], '(95 % interval 5.6 to 7.4). That is better.', GoodDirection::Fewer];
        yield 'change: fewer is worse' => ['change', [9, 8, 7, 9], [2, 2, 1, 2], '(95 % interval 5.6 to 7.4). That is worse.', GoodDirection::More];
        yield 'change: not clear' => ['change', [1, 2, 3], [2, 1, 4], 'Of 3 hives 1 fell from Before to After, 2 rose, 0 stayed as they were; on average 0.3 kg higher (95 % interval from 2.5 lower to 3.2 higher). No clear change on average.', GoodDirection::More];
        yield 'change: of one row' => ['change', [1], [2], 'Of 1 hive 0 fell from Before to After, 1 rose, 0 stayed as they were; on average 1.0 kg higher.'];
        yield 'change: of none' => ['change', [], [], null];
        yield 'mixed: a quarter each' => ['steady_or_mixed', [1, 1, 1, 1], [2, 0, 1, 1], 'The mean hides a mixed picture: 25.0 % rose, 25.0 % fell.'];
        yield 'mixed: fewer than a quarter fell' => ['steady_or_mixed', [1, 1, 1, 1, 1], [2, 2, 0, 1, 1], null];
        yield 'mixed: all rose' => ['steady_or_mixed', [1, 1], [2, 2], null];
    }

    /**
     * @param list<int> $first
     * @param list<int> $second
     */
    #[DataProvider('paired')]
    public function test_the_same_rows_earlier_and_later(string $key, array $first, array $second, ?string $sentence, ?GoodDirection $good = null): void
    {
        $changes = array_map(static fn(int $a, int $b): int => $b - $a, $first, $second);
        $pairs = new ComparedPairs(self::of($first), self::of($second), self::of($changes), count($first), new Basis());
        self::assertSaid($key, $sentence, array_column(Readings::ofComparedPairs(new PairsAgainst($pairs, 'Before', 'After', self::wording(), $good)), 'sentence', 'key'));
    }

    /** @return iterable<string, array{array<string, int>, string|null}> */
    public static function labels(): iterable
    {
        yield 'one' => [['A' => 2, 'B' => 6], 'B is commonest (6 of 8, 75.0 %).'];
        yield 'a tie' => [['A' => 3, 'B' => 3, 'C' => 2], 'A and B are commonest, each with 3 of 8, 37.5 %.'];
        yield 'many tie' => [['A' => 1, 'B' => 1, 'C' => 1, 'D' => 1, 'E' => 1, 'F' => 1, 'G' => 1], 'A, B, C, D, E and 2 more are commonest, each with 1 of 7, 14.3 %.'];
        yield 'two rows' => [['A' => 2], 'A is commonest (2 of 2, 100.0 %).'];
        yield 'one row' => [['A' => 1], null];
        yield 'none' => [[], null];
    }

    /** @param array<string, int> $counts */
    #[DataProvider('labels')]
    public function test_the_commonest_label(array $counts, ?string $sentence): void
    {
        self::assertSaid('commonest', $sentence, array_column(Readings::ofLabels(new LabelsSubject('Apiary', array_keys($counts), array_values($counts), self::wording())), 'sentence', 'key'));
    }

    public function test_an_open_class_moves_the_mean_by_half_of_what_it_is_widened(): void
    {
        $said = static function (array $labels, array $counts): array {
            $profile = GroupedProfile::of(new FrequencyTable(FrequencyKind::Labels, $labels, [$counts], [0]), new ClassReading());

            return array_column(Readings::ofClasses(new ClassesSubject($profile->columns[0], self::wording())), 'sentence', 'key');
        };
        // By hand: 2 of 20 in a class that is assumed to be 10 wide: half of 10 times a tenth.
        self::assertSaid('open_class', '10.0 % lie in ‘20 and over’, whose width is assumed: 10 wider would raise the mean by 0.5 kg.', $said(['0-9', '10-19', '20 and over'], [8, 10, 2]));
        self::assertSaid('open_class', 'wider would lower the mean by', $said(['< 10', '10-19', '20-29'], [8, 10, 2]));
        self::assertSaid('open_class', null, $said(['0-9', '10-19', '20 and over'], [8, 10, 0]));
        self::assertSaid('open_class', null, $said(['0-9', '10-19', '20-29'], [8, 10, 2]));
    }

    /** @param array<string, string> $said */
    private static function assertSaid(string $key, ?string $sentence, array $said): void
    {
        if ($sentence === null) {
            self::assertArrayNotHasKey($key, $said, $said[$key] ?? '');
        } else {
            self::assertArrayHasKey($key, $said);
            self::assertStringContainsString($sentence, $said[$key]);
        }
    }

    /** @param list<int|float> $values */
    private static function of(array $values): Observations
    {
        return new Observations(Numbers::ofTexts(array_map(strval(...), $values)), 0);
    }

    private static function wording(): Wording
    {
        $basis = new Basis();

        return new Wording(new FigureText($basis, 0), 'kg', new RowWord('hive', 'hives'), $basis);
    }
}
