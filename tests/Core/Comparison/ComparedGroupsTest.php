<?php

declare(strict_types=1);

namespace Tests\Core\Comparison;

use Brick\Math\BigRational;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Comparison\ComparedPairs;
use RowTally\Core\Comparison\Measure;
use RowTally\Core\Comparison\Superiority;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\BucketPlaces;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\Reason;
use RowTally\Core\Values\SiftedBuckets;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\FigureAssertions;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

final class ComparedGroupsTest extends TestCase
{
    use FigureAssertions;

    /** Student's sleep data (1908): ten patients, two drugs; Welch's interval of the difference is −3.365 to 0.205 with 17.776 degrees. */
    public function test_welch_on_the_data_of_student(): void
    {
        $compared = self::compared(
            ['0.7', '-1.6', '-0.2', '-1.2', '-0.1', '3.4', '3.7', '0.8', '0.0', '2.0'],
            ['1.9', '0.8', '1.1', '0.1', '-0.1', '4.4', '5.5', '1.6', '4.6', '3.4'],
        );
        $interval = $compared->interval();
        self::assertEqualsWithDelta(-0.2054832, $interval->low->number(), 5e-7);
        self::assertEqualsWithDelta(3.3654832, $interval->high->number(), 5e-7);
        self::assertEqualsWithDelta(17.77647, $interval->degrees, 5e-6);
        self::assertTrue($interval->holds(0.0));
    }

    /** By hand: 12 of 16 pairs above, 3 equal. */
    public function test_superiority_counts_equal_ones_half(): void
    {
        self::assertSame('27/32', (string) self::above(Numbers::of('1', '2', '2', '3'), Numbers::of('2', '3', '4', '4'))->simplified());
        // All pairs one by one.
        $pairs = 0;
        [$one, $other] = [[1, 2, 2, 3], [2, 3, 4, 4]];
        foreach ($one as $a) {
            foreach ($other as $b) {
                $pairs += 1 + ($b <=> $a);
            }
        }
        self::assertSame(27, $pairs);
    }

    /** What two variables hold may have other decimals, or be doubles. */
    public function test_superiority_between_decimals_and_doubles(): void
    {
        self::assertSame('1/2', (string) self::above(Numbers::of('1.5'), Numbers::of('1.50'))->simplified());
        self::assertSame('1', (string) self::above(Numbers::of('1.5'), Numbers::of('1.51'))->simplified());
        self::assertSame('1/2', (string) self::above(Numbers::of('0.1'), Numbers::of('0.1', '1e300', '-1e300'))->simplified());
        self::assertSame('0', (string) self::above(Numbers::of('9000000000000000000'), Numbers::of('0.01'))->simplified());
    }

    /** Beyond what a machine integer holds: three thousand million against as many. */
    public function test_superiority_of_very_many_is_exact(): void
    {
        $many = static fn(int ...$counts): ValueCounts => ReferenceCases::counted([1, 2], $counts)->values->counted();
        $three = self::above($many(2_999_999_999, 1), $many(1, 2_999_999_999));
        // (2 999 999 999 · 2 999 999 999 + ½·(2 999 999 999 + 2 999 999 999)) of 9·10¹⁸ pairs.
        self::assertSame('2999999999/3000000000', (string) $three->simplified());
    }

    public function test_superiority_of_values_in_no_order_is_that_of_all_in_order(): void
    {
        mt_srand(29);
        for ($try = 0; $try < 40; ++$try) {
            $sides = [];
            foreach ([mt_rand(0, 2), mt_rand(0, 2)] as $decimals) {
                // Some with many that are equal, some with one far off.
                $values = array_map(static fn(): int => mt_rand(-20, 20) * ($try % 3 === 0 ? 1 : mt_rand(1, 999)), range(1, mt_rand(1, 200)));
                $values[] = $try % 4 === 0 ? 4_000_000_000_000 : 7;
                // Doubles against decimals now and then.
                $sides[] = $try % 5 === 0 && $sides === [] ? [array_map(static fn(int $value): float => $value / 8, $values), null] : [$values, $decimals];
            }
            $counted = array_map(static fn(array $side): ValueCounts => $side[1] === null ? ValueCounts::ofUnorderedDoubles($side[0]) : ValueCounts::ofUnorderedIntegers($side[0], $side[1]), $sides);
            $sifted = array_map(static fn(array $side, ValueCounts $whole): BucketedValues => new BucketedValues(SiftedBuckets::of(
                array_chunk($side[0], 30),
                $side[1] === null ? BucketPlaces::ofDoubles(min($side[0]), max($side[0]), 16) : BucketPlaces::ofIntegers(min($side[0]), max($side[0]), 16),
                $side[1],
            ), $side[1], $whole->powerSums()), $sides, $counted);
            $told = self::above(...$counted)->simplified();
            foreach ([[$sifted[0], $sifted[1]], [$sifted[0], $counted[1]], [$counted[0], $sifted[1]]] as [$first, $second]) {
                self::assertSame((string) $told, (string) self::above($first, $second)->simplified(), "try {$try}");
            }
        }
    }

    public function test_whatever_cannot_be_said_has_a_reason(): void
    {
        $one = self::compared(['5'], ['7', '9']);
        self::assertFigure(3.0, $one->difference(Measure::Mean));
        self::assertUndefined(Reason::NeedsTwoValues, $one->difference(Measure::Sd));
        self::assertUndefined(Reason::NeedsTwoValues, $one->interval()->low);
        self::assertUndefined(Reason::NeedsTwoValues, $one->hedgesG());
        $none = self::compared([], ['7', '9']);
        self::assertUndefined(Reason::NeedsOneValue, $none->difference(Measure::Median));
        self::assertUndefined(Reason::NeedsOneValue, $none->superiority());
        self::assertUndefined(Reason::NeedsOneValue, $none->interval()->high);
        self::assertUndefined(Reason::NeedsOneValue, $none->atTenth(5));
        self::assertUndefined(Reason::FirstIsZero, self::compared(['-1', '1'], ['3'])->percent(Measure::Mean));
        self::assertUndefined(Reason::NeitherVaries, self::compared(['4', '4'], ['5', '5'])->hedgesG());
    }

    /** By the definition of the sum: twice the rows, the same spread. */
    public function test_under_counts_in_tenths(): void
    {
        $first = ReferenceCases::counted([1, 2], [1.5, 1.5]);
        $second = ReferenceCases::counted([2, 4], [0.5, 2.5]);
        $compared = new ComparedGroups($first, $second, new Basis());
        self::assertSame([3.0, 3.0], array_map(static fn($figure) => $figure->value, $compared->sizes()));
        self::assertWithinUlps(11 / 3 - 1.5, $compared->difference(Measure::Mean)->value, 1);
        // Pairs by weight: 2.5·3 above, 0.5·1.5 above, 0.5·1.5 equal, of 9.
        self::assertWithinUlps((7.5 + 0.75 + 0.375) / 9, $compared->superiority()->value, 1);
    }

    public function test_pairs_without_a_row_that_has_both(): void
    {
        $none = new Observations(Numbers::of(), 0);
        $pairs = new ComparedPairs($none, $none, $none, 4, new Basis());
        self::assertUndefined(Reason::NoPair, $pairs->ofChanges(Measure::Mean->statistic()));
        self::assertUndefined(Reason::NoPair, $pairs->interval()->low);
        self::assertUndefined(Reason::NoPair, $pairs->correlation());
        self::assertSame([0, 0, 0], [$pairs->rose(), $pairs->fell(), $pairs->stayed()]);
        self::assertFigure(4, $pairs->leftOut());
        $one = new Observations(Numbers::of('3'), 0);
        self::assertUndefined(Reason::NeedsTwoPairs, (new ComparedPairs($one, $one, $one, 1, new Basis()))->standardisedChange());
    }

    /** Sleep again, as pairs: mean 1.58, interval 0.70 to 2.46 (Student 1908). */
    public function test_pairs_of_student(): void
    {
        $of = static fn(string ...$texts): Observations => new Observations(Numbers::of(...$texts), 0);
        $pairs = new ComparedPairs(
            $of('0.7', '-1.6', '-0.2', '-1.2', '-0.1', '3.4', '3.7', '0.8', '0.0', '2.0'),
            $of('1.9', '0.8', '1.1', '0.1', '-0.1', '4.4', '5.5', '1.6', '4.6', '3.4'),
            $of('1.2', '2.4', '1.3', '1.3', '0.0', '1.0', '1.8', '0.8', '4.6', '1.4'),
            10,
            new Basis(),
        );
        self::assertEqualsWithDelta(0.7001142, $pairs->interval()->low->number(), 5e-7);
        self::assertEqualsWithDelta(2.4598858, $pairs->interval()->high->number(), 5e-7);
        self::assertEqualsWithDelta(0.7951702, $pairs->correlation()->number(), 5e-7);
        self::assertSame([9, 0, 1], [$pairs->rose(), $pairs->fell(), $pairs->stayed()]);
    }

    private static function above(OrderedValues $first, OrderedValues $second): BigRational
    {
        return Superiority::of(new Observations($first, 0), new Observations($second, 0));
    }

    /**
     * @param list<string> $first
     * @param list<string> $second
     */
    private static function compared(array $first, array $second): ComparedGroups
    {
        return new ComparedGroups(new Observations(Numbers::ofTexts($first), 0), new Observations(Numbers::ofTexts($second), 0), new Basis());
    }
}
