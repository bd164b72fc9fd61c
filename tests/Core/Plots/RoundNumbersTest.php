<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Plots\RoundNumbers;

/** 1, 2, 2.5 and 5 times a power of ten, and the multiples of a step that are near them. */
final class RoundNumbersTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> a number, the round step at least as large, the one nearest by ratio */
    public static function steps(): iterable
    {
        foreach ([
            ['1', '1', '1'], ['1.0001', '2', '1'], ['1.41', '2', '1'], ['1.42', '2', '2'], ['2', '2', '2'], ['2.01', '2.5', '2'], ['2.3', '2.5', '2.5'], ['2.5', '2.5', '2.5'],
            ['2.51', '5', '2.5'], ['3.5', '5', '2.5'], ['3.6', '5', '5'], ['5', '5', '5'], ['5.01', '10', '5'], ['7', '10', '5'], ['7.1', '10', '10'], ['9.99', '10', '10'],
            ['0.1', '0.1', '0.1'], ['0.11', '0.2', '0.1'], ['0.03', '0.05', '0.025'], ['0.04', '0.05', '0.05'], ['250', '250', '250'], ['251', '500', '250'], ['999', '1000', '1000'],
            ['1e-12', '1e-12', '1e-12'], ['3e15', '5e15', '2.5e15'],
        ] as [$number, $atLeast, $near]) {
            yield $number => [$number, $atLeast, $near];
        }
    }

    #[DataProvider('steps')]
    public function test_a_step_is_the_least_that_is_enough_or_the_nearest(string $number, string $atLeast, string $near): void
    {
        $ratio = BigDecimal::of($number)->toBigRational();
        self::assertTrue(RoundNumbers::stepAtLeast($ratio)->isEqualTo($atLeast), (string) RoundNumbers::stepAtLeast($ratio));
        self::assertTrue(RoundNumbers::stepNear($ratio)->isEqualTo($near), (string) RoundNumbers::stepNear($ratio));
    }

    /** @return iterable<string, array{string, string, string}> value, step, the largest multiple that is not above */
    public static function floors(): iterable
    {
        yield 'between' => ['7', '2.5', '5.0'];
        yield 'on a multiple' => ['7.5', '2.5', '7.5'];
        yield 'below zero' => ['-0.1', '2.5', '-2.5'];
        yield 'on a negative multiple' => ['-5', '2.5', '-5.0'];
        yield 'zero' => ['0', '0.1', '0.0'];
        yield 'a third' => ['1/3', '0.1', '0.3'];
        yield 'a step of hundreds' => ['1234', '500', '1000'];
    }

    #[DataProvider('floors')]
    public function test_a_value_is_brought_down_to_a_multiple(string $value, string $step, string $floor): void
    {
        self::assertTrue(RoundNumbers::floorTo(BigRational::of($value), BigDecimal::of($step))->isEqualTo($floor));
    }

    /** @return iterable<string, array{string, bool, string|null, string|null}> a number, whether the next above, a multiple of what, the next */
    public static function neighbours(): iterable
    {
        yield 'above one' => ['1', true, null, '2'];
        yield 'above two' => ['2', true, null, '2.5'];
        yield 'above two and a half' => ['2.5', true, null, '5'];
        yield 'above five' => ['5', true, null, '10'];
        yield 'below one' => ['1', false, null, '0.5'];
        yield 'below two' => ['2', false, null, '1'];
        yield 'below ten' => ['10', false, null, '5'];
        yield 'a tiny one' => ['2e-7', false, null, '1e-7'];
        yield 'above one, whole' => ['1', true, '1', '2'];
        yield 'above two, whole: not two and a half' => ['2', true, '1', '4'];
        yield 'below one, whole' => ['1', false, '1', null];
        yield 'below two, whole' => ['2', false, '1', '1'];
        yield 'above a quarter, in quarters' => ['0.25', true, '0.25', '0.5'];
        yield 'below a half, in quarters' => ['0.5', false, '0.25', '0.25'];
    }

    #[DataProvider('neighbours')]
    public function test_the_next_round_number_keeps_to_the_step(string $number, bool $above, ?string $step, ?string $next): void
    {
        $found = RoundNumbers::next(BigDecimal::of($number), $step === null ? null : BigDecimal::of($step))[$above ? 1 : 0];
        self::assertSame($next === null, $found === null, (string) $found);
        self::assertTrue($next === null || $found?->isEqualTo($next) === true, (string) $found);
    }

    /** @return iterable<string, array{string, string, string}> wanted, step, the round multiple near it */
    public static function multiples(): iterable
    {
        yield 'whole' => ['2.4', '1', '2'];
        yield 'less than one step' => ['0.2', '1', '1'];
        yield 'one step' => ['1', '1', '1'];
        yield 'whole, where two and a half is nearer' => ['2.5', '1', '2'];
        yield 'hundreds' => ['240', '1', '250'];
        yield 'quarters' => ['0.6', '0.25', '0.5'];
        yield 'halves' => ['2.4', '0.5', '2.5'];
        yield 'sevens have no round multiples of their own' => ['15', '7', '14'];
        yield 'tenths' => ['0.11', '0.1', '0.1'];
    }

    #[DataProvider('multiples')]
    public function test_a_round_multiple_near_to_what_is_wanted(string $wanted, string $step, string $multiple): void
    {
        $found = RoundNumbers::multipleNear(BigDecimal::of($wanted)->toBigRational(), BigDecimal::of($step));
        self::assertTrue($found->isEqualTo($multiple), (string) $found);
    }
}
