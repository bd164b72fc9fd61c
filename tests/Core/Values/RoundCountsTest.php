<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Brick\Math\BigRational;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Plots\RoundNumbers;
use RowTally\Core\Values\RoundCounts;
use RowTally\Core\Values\ValueCounts;

/** Counts below round numbers are those that a look at every value gives. */
final class RoundCountsTest extends TestCase
{
    use TestTrait;

    public function test_a_count_is_that_of_the_values_also_after_some_have_gone_and_come(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30), Generators::elements(3, 40, 5_000, 10 ** 7, 10 ** 15))->then(static function (int $seed, int $spread): void {
            mt_srand($seed);
            $centre = mt_rand(-2 * $spread, 2 * $spread);
            $all = array_map(static fn(): int => $centre + intdiv(mt_rand(-1000, 1000) * $spread, 1000), range(1, 300));
            $plain = ValueCounts::ofUnorderedIntegers($all, 2);
            $counts = self::over($plain, 7);
            self::assertGreaterThan(0, self::agreeing($plain, $counts));
            self::assertGreaterThan(0, self::agreeing($plain, RoundCounts::fromBytes($counts->toBytes())));

            $removed = array_count_values(array_slice($all, 0, 20));
            $added = array_count_values([...array_map(static fn(): int => $centre + mt_rand(-2 * $spread, 2 * $spread), range(1, 20)), $centre - 9 * $spread, $centre + 9 * $spread]);
            self::assertGreaterThan(0, self::agreeing($plain->changed($removed, $added), $counts->changed($removed, $added)));
        });
    }

    /** Otherwise classes would look into buckets after all. */
    public function test_multiples_of_every_round_width_that_makes_fewer_than_a_hundred_classes_are_known(): void
    {
        foreach ([500, 777, 999_999, 1_234_567, 24_999_999, 50_000_000, 990_000_001, 10 ** 15 + 1] as $range) {
            $counts = self::over(ValueCounts::ofUnorderedIntegers([3, intdiv($range, 3), 3 + $range], 0), 1);
            for ($least = BigRational::nd($range, 99), $tried = 0; $tried < 8; ++$tried, $least = $width->toBigRational()->multipliedBy('1.001')) {
                $width = RoundNumbers::stepAtLeast($least);
                if ($width->isGreaterThan($range) || $width->stripTrailingZeros()->getScale() > 0) {
                    continue;
                }
                for ($edge = $width->toInt(); $edge <= 3 + $range; $edge += $width->toInt()) {
                    self::assertNotNull($counts->below($edge), "{$edge} of {$range} by {$width}");
                }
            }
        }
    }

    public function test_what_is_not_round_or_lies_outside_is_not_known(): void
    {
        $counts = self::over(ValueCounts::ofUnorderedIntegers([-700_000, 100, 700_000], 0), 1);

        self::assertSame([null, 0, 1, 1, 2, 2, null, null], array_map($counts->below(...), [-701_000, -700_000, -699_000, 0, 1000, 700_000, 701_000, 1234]));
        self::assertNull(RoundCounts::over(PHP_INT_MIN, PHP_INT_MAX));
    }

    private static function over(ValueCounts $values, int $atOnce): RoundCounts
    {
        $all = $counts = [];
        foreach ($values->slices() as [$some, $often]) {
            /** @var list<int> $some */
            array_push($all, ...$some);
            array_push($counts, ...$often);
        }
        $round = RoundCounts::over($all[0], $all[count($all) - 1]);
        self::assertNotNull($round);
        foreach (array_chunk($all, $atOnce) as $i => $some) {
            $round->add($some, array_slice($counts, $i * $atOnce, $atOnce));
        }

        return $round;
    }

    /** How many numbers about the values are known; each must be right. */
    private static function agreeing(ValueCounts $values, RoundCounts $counts): int
    {
        $lowest = $values->at(1)->getUnscaledValue()->toInt();
        $range = $values->at($values->n())->getUnscaledValue()->toInt() - $lowest;
        $known = 0;
        foreach ([1, 10 ** max(0, strlen((string) $range) - 3)] as $step) {
            for ($number = intdiv($lowest, $step) * $step, $tried = 0; $tried < 2_000; ++$tried, $number += $step) {
                $below = $counts->below($number);
                if ($below !== null) {
                    self::assertSame($values->countBelowUnscaled($number), $below, (string) $number);
                    ++$known;
                }
            }
        }

        return $known;
    }
}
