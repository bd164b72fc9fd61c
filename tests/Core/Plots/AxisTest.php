<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Plots\Classes;
use RowTally\Core\Plots\RoundNumbers;

final class AxisTest extends TestCase
{
    /** @return iterable<string, array{string, string, list<string>}> */
    public static function ranges(): iterable
    {
        yield 'tens' => ['2.5', '67.5', ['0', '10', '20', '30', '40', '50', '60', '70']];
        yield 'across zero' => ['-1.2', '0.9', ['−1.5', '−1.0', '−0.5', '0.0', '0.5', '1.0']];
        yield 'quarters' => ['0', '2', ['0.00', '0.25', '0.50', '0.75', '1.00', '1.25', '1.50', '1.75', '2.00']];
        yield 'tenths are exact' => ['0.1', '0.4', ['0.10', '0.15', '0.20', '0.25', '0.30', '0.35', '0.40']];
        yield 'huge' => ['0', '4e300', ['0', '5 × 10²⁹⁹', '1 × 10³⁰⁰', '1.5 × 10³⁰⁰', '2 × 10³⁰⁰', '2.5 × 10³⁰⁰', '3 × 10³⁰⁰', '3.5 × 10³⁰⁰', '4 × 10³⁰⁰']];
    }

    /** @param list<string> $texts */
    #[DataProvider('ranges')]
    public function test_an_axis_begins_and_ends_on_round_ticks_around_the_data(string $from, string $to, array $texts): void
    {
        $axis = Axis::covering(BigDecimal::of($from), BigDecimal::of($to));

        self::assertSame($texts, array_column($axis->ticks, 'text'));
        self::assertLessThanOrEqual((float) $from, $axis->from);
        self::assertGreaterThanOrEqual((float) $to, $axis->to);
    }

    public function test_an_axis_of_values_has_ticks_at_values_only(): void
    {
        $axis = Axis::ofValues(Classes::oneValueEach(BigDecimal::zero(), BigDecimal::one(), 3));

        self::assertSame([-0.5, 2.5], [$axis->from, $axis->to]);
        self::assertSame(['0', '1', '2'], array_column($axis->ticks, 'text'));
    }

    /** @return iterable<string, array{string, string, string}> wanted, nearest round step, smallest round step at least so large */
    public static function steps(): iterable
    {
        yield 'exactly round' => ['2.5', '2.5', '2.5'];
        yield 'a little more' => ['2.6', '2.5', '5'];
        yield 'a little less' => ['0.24', '0.25', '0.25'];
        yield 'next power of ten' => ['8.7', '10', '10'];
        yield 'a power of ten' => ['100', '100', '100'];
        yield 'tiny' => ['0.000031', '0.000025', '0.00005'];
    }

    #[DataProvider('steps')]
    public function test_steps_are_one_two_two_and_a_half_or_five_times_a_power_of_ten(string $wanted, string $near, string $atLeast): void
    {
        $ratio = BigRational::of($wanted);

        self::assertTrue(RoundNumbers::stepNear($ratio)->isEqualTo($near), (string) RoundNumbers::stepNear($ratio));
        self::assertTrue(RoundNumbers::stepAtLeast($ratio)->isEqualTo($atLeast), (string) RoundNumbers::stepAtLeast($ratio));
    }
}
