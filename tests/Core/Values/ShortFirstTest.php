<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Brick\Math\BigInteger;
use Brick\Math\Exception\DivisionByZeroException;
use Brick\Math\Internal\Calculator\GmpCalculator;
use Brick\Math\Internal\CalculatorRegistry;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Values\ShortFirst;

final class ShortFirstTest extends TestCase
{
    private const NUMBERS = [
        '0', '1', '-1', '2', '-3', '7', '10', '999999999', '-999999999', '3037000499', '3037000500', '-3037000500', '4294967296',
        '999999999999999999', '-999999999999999999', '1000000000000000000', '9223372036854775806', '9223372036854775807', '9223372036854775808',
        '-9223372036854775807', '-9223372036854775808', '-9223372036854775809', '18446744073709551616', '340282366920938463463374607431768211456',
    ];

    public function test_it_is_in_force_wherever_the_core_is(): void
    {
        self::assertInstanceOf(ShortFirst::class, CalculatorRegistry::get());
    }

    public function test_it_agrees_with_gmp_on_both_sides_of_what_a_machine_holds(): void
    {
        [$own, $gmp] = [new ShortFirst(), new GmpCalculator()];
        $numbers = [...self::NUMBERS, str_repeat('9', 400), '-1' . str_repeat('0', 400)];
        foreach ($numbers as $a) {
            foreach ($numbers as $b) {
                $at = "{$a} and {$b}";
                self::assertSame($gmp->add($a, $b), $own->add($a, $b), $at);
                self::assertSame($gmp->sub($a, $b), $own->sub($a, $b), $at);
                self::assertSame($gmp->mul($a, $b), $own->mul($a, $b), $at);
                self::assertSame($gmp->gcd($a, $b), $own->gcd($a, $b), $at);
                if ($b !== '0') {
                    self::assertSame($gmp->divQ($a, $b), $own->divQ($a, $b), $at);
                    self::assertSame($gmp->divR($a, $b), $own->divR($a, $b), $at);
                    self::assertSame($gmp->divQR($a, $b), $own->divQR($a, $b), $at);
                }
            }
        }
    }

    public function test_what_it_hands_on_is_what_gmp_says(): void
    {
        $number = BigInteger::of('12345678901234567890');

        self::assertSame('1881676372353657772490265749424677022198701224860897069000', (string) $number->power(3));
        self::assertSame('3513641828', (string) $number->sqrt());
        self::assertSame('5', (string) BigInteger::of(3)->modInverse(BigInteger::of(7)));
        self::assertSame('1', (string) $number->modPow(6, 7));
    }

    public function test_a_division_by_zero_is_refused_as_ever(): void
    {
        $this->expectException(DivisionByZeroException::class);
        BigInteger::of(5)->quotient(0);
    }
}
