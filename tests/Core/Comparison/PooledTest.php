<?php

declare(strict_types=1);

namespace Tests\Core\Comparison;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Comparison\Pooled;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;

/** Groups as one against all their values in one column, and values in another unit against each by itself. */
final class PooledTest extends TestCase
{
    public function test_groups_as_one_are_all_their_values_in_one_column(): void
    {
        mt_srand(31);
        for ($try = 0; $try < 60; ++$try) {
            $groups = [];
            for ($i = mt_rand(1, 4); $i > 0; --$i) {
                $decimals = mt_rand(0, 3);
                $groups[] = array_map(static fn(): string => number_format(mt_rand(-3000, 3000) / 100, $decimals, '.', ''), range(0, mt_rand(0, 40)));
            }
            $pooled = Pooled::of(array_map(static fn(array $cells): Observations => new Observations(Numbers::ofTexts($cells), 2), $groups));
            $whole = new Observations(Numbers::ofTexts(array_merge(...$groups)), 0);

            self::assertSame([$whole->n(), 2 * count($groups)], [$pooled->n(), $pooled->missing]);
            self::assertSame(self::listed($whole->values), self::listed($pooled->values));
            self::assertTrue($whole->sum()->isEqualTo($pooled->sum()));
        }
    }

    public function test_counts_of_groups_come_in_the_finest_unit_of_theirs(): void
    {
        $pooled = Pooled::of([
            new Observations(ValueCounts::ofIntegers([1, 2], [3, 4], 0), 5, 0),
            new Observations(ValueCounts::ofIntegers([20, 30], [150, 25], 1), 75, 2),
        ]);

        self::assertSame([2, 875, 575], [$pooled->countDecimals, $pooled->n(), $pooled->missing]);
        self::assertSame(['1' => 300, '2' => 550, '3' => 25], self::listed($pooled->values));
    }

    public function test_of_empty_groups_is_empty_and_an_empty_one_among_others_changes_nothing(): void
    {
        $empty = static fn(): Observations => new Observations(Numbers::of(), 3);
        self::assertSame([0, 6], [Pooled::of([$empty(), $empty()])->n(), Pooled::of([$empty(), $empty()])->missing]);
        self::assertSame(['0.5' => 1, '7' => 2], self::listed(Pooled::of([$empty(), new Observations(Numbers::of('7', '0.5', '7'), 0), $empty()])->values));
    }

    public function test_what_no_machine_integer_holds_in_a_common_unit_becomes_doubles(): void
    {
        $pooled = Pooled::of([new Observations(Numbers::of('9000000000000000000', '1'), 0), new Observations(Numbers::of('0.25', '1.00'), 0)]);

        self::assertNull($pooled->values->decimals());
        self::assertSame(['0.25' => 1, '1' => 2, '9000000000000000000' => 1], self::listed($pooled->values));
        self::assertNull(Pooled::of([new Observations(Numbers::of('1e300'), 0), new Observations(Numbers::of('2'), 0)])->values->decimals());
    }

    /** @return iterable<string, array{list<string>, string, array<array-key, int>, int|null}> cells, factor, the values that come of it, and their decimals */
    public static function factors(): iterable
    {
        yield 'kilograms to grams' => [['1.25', '0.5', '1.25'], '1000', ['500' => 1, '1250' => 2], 2];
        yield 'grams to kilograms' => [['1250', '3'], '0.001', ['0.003' => 1, '1.25' => 1], 3];
        yield 'below zero' => [['-2.5', '4'], '1.5', ['-3.75' => 1, '6' => 1], 2];
        yield 'a factor with zeros behind it' => [['2', '3'], '2.50', ['5' => 1, '7.5' => 1], 2];
        yield 'as it is' => [['2', '3.5'], '1', ['2' => 1, '3.5' => 1], 1];
        yield 'too large for a machine integer' => [['4000000000000000000', '1'], '10', ['10' => 1, '40000000000000000000' => 1], null];
        yield 'more decimals than are kept' => [['0.0000000001'], '0.000001', ['0.0000000000000001' => 1], null];
        yield 'doubles' => [['1e300', '2'], '0.5', ['1' => 1, '5e299' => 1], null];
        yield 'none' => [[], '2.54', [], null];
    }

    /**
     * @param list<string>          $cells
     * @param array<array-key, int> $expected
     */
    #[DataProvider('factors')]
    public function test_values_in_another_unit(array $cells, string $factor, array $expected, ?int $decimals): void
    {
        $times = Pooled::times(new Observations(Numbers::ofTexts($cells), 4, 0), BigDecimal::of($factor));

        self::assertSame($decimals, $times->values->decimals());
        self::assertSame([4, count($cells)], [$times->missing, $times->n()]);
        self::assertSame(array_map(self::plain(...), array_map(strval(...), array_keys($expected))), array_map(strval(...), array_keys(self::listed($times->values))));
        self::assertSame(array_values($expected), array_values(self::listed($times->values)));
    }

    /** @return array<array-key, int> how often each value is there, ascending */
    private static function listed(OrderedValues $values): array
    {
        $listed = [];
        $rank = 0;
        foreach ($values->slices() as [$slice, $counts]) {
            foreach (array_keys($slice) as $i) {
                $rank += $counts[$i];
                $listed[self::plain((string) $values->at($rank))] = $counts[$i];
            }
        }

        return $listed;
    }

    private static function plain(string $number): string
    {
        return (string) BigDecimal::of($number)->stripTrailingZeros();
    }
}
