<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\RoundingMode;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\StemLeaf;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\PowerSums;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\ListedBuckets;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

final class StemLeafTest extends TestCase
{
    use TestTrait;

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'stemLeafCases')]
    public function test_lines_are_those_of_the_reference(array $case): void
    {
        $exponent = (int) round(log10($case['input']['leaf_unit']));
        $display = StemLeaf::of(new Observations(ReferenceCases::values($case['input']['values']), 0), new Basis(), $exponent, $case['input']['lines_per_stem']);

        self::assertSame($case['expected']['rows'], array_map(static fn(array $line): array => [
            'stem' => $line['stem'],
            'leaves' => implode(' ', self::digits($line)),
            'count' => $line['count'],
            'digits' => $line['digits'],
        ], $display->lines));
    }

    public function test_leaves_rebuild_the_data_at_the_precision_of_a_leaf(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30))->then(static function (int $seed): void {
            mt_srand($seed);
            $values = array_map(static fn(): int => mt_rand(-4000, 9000), range(1, mt_rand(1, 80)));
            $display = StemLeaf::of(new Observations(ValueCounts::ofUnorderedIntegers($values, 1), 0), new Basis());
            $unit = (float) (string) $display->leafUnit;
            $rebuilt = [];
            foreach ($display->lines as $line) {
                foreach (self::digits($line) as $digit) {
                    $sign = $line['stem'][0] === '-' ? -1 : 1;
                    $rebuilt[] = $sign * (10 * (int) ltrim($line['stem'], '-') + $digit);
                }
            }
            $expected = array_map(static fn(int $value): int => (int) ($value / 10 / $unit), $values);
            sort($expected);
            sort($rebuilt);

            self::assertSame($expected, $rebuilt);
            self::assertLessThanOrEqual(StemLeaf::MOST_LINES, count($display->lines));
        });
    }

    /** @return iterable<string, array{list<string>}> */
    public static function manyDigits(): iterable
    {
        mt_srand(53);
        yield 'decimals' => [array_map(static fn(): string => number_format(mt_rand(-99_999, 99_999) / 1000, 3, '.', ''), range(1, 400))];
        yield 'whole numbers of 18 digits' => [array_map(static fn(): string => (string) mt_rand(-900_000_000_000_000_000, 900_000_000_000_000_000), range(1, 200))];
        yield 'doubles' => [array_map(static fn(): string => mt_rand(-9999, 9999) . 'e-30', range(1, 400))];
        yield 'doubles on the edges of leaves' => [array_map(static fn(int $i): string => ($i / 10) . ($i % 2 === 0 ? 'e250' : '0000000000001e250'), range(-99, 99))];
        yield 'doubles far from zero' => [array_map(static fn(int $i): string => '1.00000000' . sprintf('%04d', $i) . 'e200', range(1, 200))];
    }

    /** @param list<string> $texts */
    #[DataProvider('manyDigits')]
    public function test_every_leaf_is_cut_off_its_decimal_text(array $texts): void
    {
        $values = Numbers::ofTexts($texts);
        foreach (StemLeaf::exponents(new Observations($values, 0)) as $exponent) {
            $display = StemLeaf::of(new Observations($values, 0), new Basis(), $exponent);
            $expected = [];
            foreach ($values->between(1, $values->n()) as ['value' => $value, 'count' => $count]) {
                $t = (string) $value->abs()->dividedBy($display->leafUnit, 0, RoundingMode::DOWN);
                $leaf = ($value->isNegative() ? '-' : '') . (substr($t, 0, -1) === '' ? '0' : substr($t, 0, -1)) . '|' . substr($t, -1);
                $expected[$leaf] = ($expected[$leaf] ?? 0) + $count;
            }
            $got = [];
            foreach ($display->lines as $line) {
                foreach ($line['leaves'] as ['digit' => $digit, 'count' => $count]) {
                    $got["{$line['stem']}|{$digit}"] = $count;
                }
            }
            ksort($expected);
            ksort($got);
            self::assertSame($expected, $got, "10^{$exponent}");
        }
    }

    public function test_of_very_many_that_stand_apart_the_farthest_are_listed_and_the_others_counted(): void
    {
        $values = [...range(-5000, -4901), ...range(1, 900), ...range(5001, 5030)];
        foreach ([ValueCounts::ofUnorderedIntegers($values, 0), new BucketedValues(new ListedBuckets(array_chunk($values, 7)), 0, PowerSums::ofIntegers($values, null, 0))] as $held) {
            $display = StemLeaf::of(new Observations($held, 0), new Basis(), apart: true);

            self::assertSame([40, 60, '-5000', '-4961'], [count($display->low), $display->moreLow, (string) $display->low[0]['value'], (string) $display->low[39]['value']]);
            self::assertSame([30, 0, '5001', '5030'], [count($display->high), $display->moreHigh, (string) $display->high[0]['value'], (string) $display->high[29]['value']]);
            self::assertSame(900, array_sum(array_column($display->lines, 'count')));
        }
    }

    public function test_a_leaf_unit_beyond_all_values_has_them_on_one_leaf(): void
    {
        $values = Numbers::of('9000000000000000000', '-9000000000000000000', '1');
        $display = StemLeaf::of(new Observations($values, 0), new Basis(), 20);

        self::assertSame([['-0', 1], ['0', 2]], array_map(static fn(array $line): array => [$line['stem'], $line['count']], $display->lines));
    }

    public function test_depths_count_from_the_nearer_end(): void
    {
        $display = StemLeaf::of(new Observations(Numbers::of('10', '11', '21', '22', '23', '31', '40'), 0), new Basis(), 0);

        self::assertSame([2, 3, 2, 1], array_column($display->lines, 'depth'));
        self::assertSame([false, true, false, false], array_column($display->lines, 'holdsMedian'));
    }

    public function test_where_the_median_lies_between_two_lines_none_holds_it(): void
    {
        $display = StemLeaf::of(new Observations(ValueCounts::ofUnorderedIntegers(range(0, 149), 0), 0), new Basis(), 1);
        self::assertSame([100, 50], array_column($display->lines, 'depth'));
        $halves = StemLeaf::of(new Observations(Numbers::of('1', '2', '3', '11', '12', '13'), 0), new Basis(), 0);
        self::assertSame([[3, 3], [false, false]], [array_column($halves->lines, 'depth'), array_column($halves->lines, 'holdsMedian')]);
        $on = StemLeaf::of(new Observations(Numbers::of('1', '2', '11', '12', '13', '21'), 0), new Basis(), 0);
        self::assertSame([false, true, false], array_column($on->lines, 'holdsMedian'));
        $alone = StemLeaf::of(new Observations(Numbers::of('1', '2'), 0), new Basis(), 0);
        self::assertSame([2, true], [$alone->lines[0]['depth'], $alone->lines[0]['holdsMedian']]);
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function resolutions(): iterable
    {
        yield 'whole numbers' => [array_map(strval(...), range(0, 22)), '1'];
        yield 'tens' => [array_map(static fn(int $i): string => (string) (10 * $i), range(0, 22)), '10'];
        yield 'two different ones' => [['3', '4'], '1'];
        yield 'tenths written with two decimals' => [['1.10', '1.20', '1.50', '2.00'], '0.1'];
        yield 'doubles in tenths of their own' => [['1e-30', '2e-30', '7e-30', '9e-30'], '0.000000000000000000000000000001'];
    }

    /** @param list<string> $texts */
    #[DataProvider('resolutions')]
    public function test_a_leaf_is_never_finer_than_the_data(array $texts, string $finest): void
    {
        $observations = new Observations(Numbers::ofTexts($texts), 0);
        $display = StemLeaf::of($observations, new Basis());

        self::assertTrue($display->leafUnit->isGreaterThanOrEqualTo($finest), (string) $display->leafUnit);
        self::assertTrue(StemLeaf::unit(StemLeaf::exponents($observations)[0])->isEqualTo($finest));
        self::assertNotSame([0], array_unique(array_merge(...array_map(self::digits(...), $display->lines))));
    }

    public function test_few_whole_numbers_stand_on_several_lines_a_stem(): void
    {
        $display = StemLeaf::of(new Observations(ValueCounts::ofUnorderedIntegers(range(0, 22), 0), 0), new Basis());

        self::assertSame(['1', 5, 12], [(string) $display->leafUnit, $display->linesPerStem, count($display->lines)]);
    }

    /** @return iterable<string, array{list<string>, int, string}> */
    public static function outOfReach(): iterable
    {
        yield 'far too fine' => [['0', '500', '1000'], -4, 'A leaf unit of 0.0001 does not fit these values: it can be 100, 1000, 10000 or 100000.'];
        yield 'finer than the data' => [['1', '2', '13'], -1, 'A leaf unit of 0.1 does not fit these values: it can be 1, 10, 100 or 1000.'];
        yield 'far too coarse' => [['1', '2', '13'], 12, 'A leaf unit of 1000000000000 does not fit these values: it can be 1, 10, 100 or 1000.'];
        yield 'a huge range' => [['0', '1', '1e300'], 0, 'A leaf unit of 1 does not fit these values'];
    }

    /** @param list<string> $texts */
    #[DataProvider('outOfReach')]
    public function test_a_leaf_unit_out_of_reach_is_answered_with_what_is_possible(array $texts, int $exponent, string $message): void
    {
        $this->expectExceptionObject(NotUnderstood::leafUnitOutOfReach('1', ['2']));
        $this->expectExceptionMessage($message);
        StemLeaf::of(new Observations(Numbers::ofTexts($texts), 0), new Basis(), $exponent);
    }

    public function test_a_group_stands_in_the_unit_of_all_and_beside_its_stems(): void
    {
        $overall = StemLeaf::of(new Observations(Numbers::of('10', '20', '30', '40', '55', '900'), 0), new Basis(), apart: true);
        $group = $overall->ofGroup(new Observations(Numbers::of('10', '900'), 0), new Basis(), true);

        self::assertSame(['900'], array_map(static fn(array $entry): string => (string) $entry['value'], $group->high));
        self::assertSame([1, (string) $overall->leafUnit], [count($group->lines), (string) $group->leafUnit]);
        self::assertSame([], $overall->ofGroup(new Observations(Numbers::of(''), 0), new Basis(), true)->lines);
    }

    public function test_values_beyond_the_outer_fences_stand_apart_when_wanted(): void
    {
        $observations = new Observations(Numbers::of('1', '2', '3', '4', '5', '6', '7', '900', '-800'), 0);
        $display = StemLeaf::of($observations, new Basis(), apart: true);

        self::assertSame([['-800'], ['900']], [array_map(static fn(array $entry): string => (string) $entry['value'], $display->low), array_map(static fn(array $entry): string => (string) $entry['value'], $display->high)]);
        self::assertSame(7, array_sum(array_column($display->lines, 'count')));
        self::assertSame([], StemLeaf::of($observations, new Basis())->low);
    }

    public function test_of_many_values_a_leaf_stands_for_several_and_none_or_equal_ones_are_no_trouble(): void
    {
        self::assertSame(3, StemLeaf::of(new Observations(ValueCounts::ofUnorderedIntegers(range(1, 2500), 0), 0), new Basis())->perLeaf);
        self::assertSame([], StemLeaf::of(new Observations(Numbers::of(''), 1), new Basis())->lines);
        self::assertSame(1, count(StemLeaf::of(new Observations(Numbers::of('7', '7'), 0), new Basis())->lines));
        self::assertSame(1, count(StemLeaf::of(new Observations(Numbers::of('0', '0'), 0), new Basis())->lines));
    }

    /**
     * @param array{leaves: list<array{digit: int, count: int}>} $line
     *
     * @return list<int>
     */
    private static function digits(array $line): array
    {
        return array_merge(...array_map(static fn(array $leaf): array => array_fill(0, $leaf['count'], $leaf['digit']), $line['leaves']));
    }
}
