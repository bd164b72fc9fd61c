<?php

declare(strict_types=1);

namespace Tests\Core\Values;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Values\Exact;

final class ExactTest extends TestCase
{
    /** @return iterable<string, array{string, float|null}> */
    public static function ratios(): iterable
    {
        yield 'a third' => ['1/3', 0.3333333333333333];
        yield 'negative' => ['-2/3', -0.6666666666666666];
        yield 'zero' => ['0', 0.0];
        yield 'beyond 2^53, to even' => ['9007199254740993', 9007199254740992.0];
        yield 'a little above the tie' => ['90071992547409930000001/10000000', 9007199254740994.0];
        yield 'the largest double' => ['179769313486231570814527423731704356798070567525844996598917476803157260780028538760589558632766878171540458953514382464234321326889464182768467546703537516986049910576551282076245490090389328944075868508455133942304583236903222948165808559332123347741797926204144723168738177180919299881250404026184124858368', PHP_FLOAT_MAX];
        yield 'too large' => ['1' . str_repeat('0', 309), null];
        yield 'a subnormal double' => ['1/1' . str_repeat('0', 320), 1e-320];
        yield 'too small' => ['1/1' . str_repeat('0', 330), null];
    }

    #[DataProvider('ratios')]
    public function test_a_ratio_becomes_the_nearest_double(string $ratio, ?float $expected): void
    {
        self::assertSame($expected, Exact::toFloat(BigRational::of($ratio)));
    }

    public function test_small_ratios_are_rounded_and_simplified_as_large_ones_are(): void
    {
        mt_srand(20261125);
        // The same ratio over a common factor too long for machine integers takes the long way.
        $factor = BigInteger::of('1000000000000000003');
        for ($try = 0; $try < 500; ++$try) {
            $numerator = mt_rand(-(10 ** mt_rand(1, 15)) + 1, 10 ** mt_rand(1, 15) - 1);
            $denominator = mt_rand(1, 10 ** mt_rand(1, 15) - 1);
            $ratio = BigRational::nd($numerator, $denominator);
            $long = BigRational::nd($factor->multipliedBy($numerator), $factor->multipliedBy($denominator));

            self::assertSame(Exact::toFloat($long), Exact::toFloat($ratio), "{$numerator}/{$denominator}");
            self::assertSame((string) $ratio->simplified(), (string) Exact::simplest($ratio));
            self::assertSame((string) $ratio->simplified(), (string) Exact::simplest($long));
        }
    }

    public function test_the_root_of_a_ratio_is_correctly_rounded(): void
    {
        self::assertSame(M_SQRT2, Exact::squareRoot(BigRational::of(2)));
        self::assertSame(1.5, Exact::squareRoot(BigRational::of('9/4')));
        self::assertSame(0.0, Exact::squareRoot(BigRational::zero()));
        self::assertSame(1e200, Exact::squareRoot(BigRational::of(BigInteger::of(10)->power(400))), 'the square itself is no double');
        self::assertSame(1e-200, Exact::squareRoot(BigRational::nd(1, BigInteger::of(10)->power(400))));
    }
}
