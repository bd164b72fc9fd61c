<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Brick\Math\BigInteger;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\PowerSums;

/** The oracle is the plain definition in big integers; machine integers and limbs must give the very same digits. */
final class PowerSumsTest extends TestCase
{
    /** @return iterable<string, array{list<int>, list<int>|null}> */
    public static function integers(): iterable
    {
        $bound = 10 ** 18 - 1;
        yield 'small' => [[-3, 0, 5], null];
        yield 'small with counts' => [[-3, 0, 5], [2, 7, 1]];
        yield 'just inside the machine sums' => [[1 << 30, -(1 << 30)], null];
        yield 'just beyond them' => [[1 << 31, -(1 << 31), 7], null];
        yield 'many whose squares fit a few hundred at a time' => [array_map(static fn(int $i): int => ($i % 3 === 0 ? -1 : 1) * ((1 << 27) - $i), range(0, 2000)), null];
        yield 'many just beyond that' => [array_map(static fn(int $i): int => (1 << 27) + 1 - 2 * $i, range(0, 2000)), null];
        yield 'eighteen digits' => [[$bound, -$bound, $bound - 1, 123456789012345678], null];
        yield 'eighteen digits with counts at the flush' => [[$bound, -$bound, 2], [1 << 19, (1 << 19) + 1, 1 << 20]];
        yield 'a count beyond any flush' => [[$bound, 3], [10 ** 9, 10 ** 9]];
        yield 'three thousand of alternating sign' => [array_map(static fn(int $i): int => ($i % 2 === 0 ? 1 : -1) * ($bound - $i), range(1, 3000)), null];
    }

    /**
     * @param list<int>      $values
     * @param list<int>|null $counts
     */
    #[DataProvider('integers')]
    public function test_sums_of_integers_are_exact_at_every_size(array $values, ?array $counts): void
    {
        [$sum, $squares] = [BigInteger::zero(), BigInteger::zero()];
        foreach ($values as $i => $value) {
            $count = $counts[$i] ?? 1;
            $sum = $sum->plus(BigInteger::of($value)->multipliedBy($count));
            $squares = $squares->plus(BigInteger::of($value)->power(2)->multipliedBy($count));
        }

        self::assertSame(['sum' => (string) $sum, 'squares' => (string) $squares], PowerSums::ofIntegers($values, $counts, 0)->toTexts());
    }

    public function test_sums_of_doubles_are_exact_where_adding_them_up_is_not(): void
    {
        $sums = PowerSums::ofDoubles([1e300, 1.0, -1e300, 1e-300], null);

        self::assertSame(1.0, Exact::toFloat($sums->sum()));
        self::assertSame(0.0, array_sum([1e300, 1.0, -1e300]), 'plain addition must fail here, or the case proves nothing');
    }

    public function test_doubles_with_counts_equal_the_same_doubles_repeated(): void
    {
        self::assertSame(
            PowerSums::ofDoubles([0.1, 0.1, 0.1, -7e9], null)->toTexts(),
            PowerSums::ofDoubles([0.1, -7e9], [3, 1])->toTexts(),
        );
    }

    public function test_merged_parts_equal_the_whole_also_across_decimals(): void
    {
        $merged = PowerSums::ofIntegers([15, 2], null, 1)->plus(PowerSums::ofIntegers([325], [2], 2));

        self::assertSame(PowerSums::ofIntegers([150, 20, 325, 325], null, 2)->toTexts(), $merged->toTexts());
        self::assertSame(4, $merged->n);
    }

    public function test_no_values_sum_to_zero(): void
    {
        self::assertSame(['sum' => '0', 'squares' => '0'], PowerSums::ofIntegers([], null, 3)->toTexts());
        self::assertSame(0, PowerSums::ofDoubles([], null)->n);
    }

    public function test_decimals_and_doubles_do_not_mix(): void
    {
        $this->expectException(InvalidInput::class);

        PowerSums::ofIntegers([1], null, 0)->plus(PowerSums::ofDoubles([1.0], null));
    }
}
