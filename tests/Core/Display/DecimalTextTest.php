<?php

declare(strict_types=1);

namespace Tests\Core\Display;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Frequency\Percent;
use RowTally\Core\Values\Exact;

final class DecimalTextTest extends TestCase
{
    /** @return iterable<string, array{int|float, int|null, string}> */
    public static function numbers(): iterable
    {
        yield 'half away from zero on the digits seen' => [2.675, 2, '2.68'];
        yield 'negative half away from zero' => [-2.5, 0, '−3'];
        yield 'a whole number' => [236, 0, '236'];
        yield 'decimals are filled up' => [5.0, 2, '5.00'];
        yield 'never minus zero' => [-0.001, 2, '0.00'];
        yield 'a true minus sign' => [-1.5, 1, '−1.5'];
        yield 'at most ten decimals' => [1 / 3, 17, '0.3333333333'];
        yield 'huge' => [1.25e300, 2, '1.25 × 10³⁰⁰'];
        yield 'huge and negative' => [-1.5e16, 2, '−1.5 × 10¹⁶'];
        yield 'tiny with many decimals' => [2.5e-12, 13, '2.5 × 10⁻¹²'];
        yield 'tiny with few decimals is rounded away' => [2.5e-12, 2, '0.00'];
        yield 'six digits for doubles' => [123.4567891, null, '123.457'];
        yield 'six digits of a small double' => [0.00012345678, null, '0.000123457'];
        yield 'zero' => [0.0, null, '0.00000'];
    }

    #[DataProvider('numbers')]
    public function test_numbers_are_rounded_once_as_a_person_rounds_what_they_see(int|float $value, ?int $decimals, string $text): void
    {
        self::assertSame($text, DecimalText::of($value, $decimals));
    }

    public function test_the_quick_way_through_the_digits_rounds_as_big_decimals_do(): void
    {
        mt_srand(11);
        for ($i = 0; $i < 3000; ++$i) {
            $value = (mt_rand() / mt_getrandmax() - 0.5) * 10 ** mt_rand(-7, 16);
            $value = mt_rand(0, 2) === 0 ? round($value, mt_rand(0, 3)) : $value;
            $decimals = mt_rand(0, 10);
            $exact = BigDecimal::of(Exact::shortestText($value));
            if ($exact->abs()->isLessThan('1e15')) {
                self::assertSame(DecimalText::plain($exact->toScale($decimals, RoundingMode::HALF_UP)), DecimalText::of($value, $decimals), "{$exact} with {$decimals}");
            }
        }
    }

    public function test_a_percentage_is_rounded_from_the_exact_ratio(): void
    {
        self::assertSame(['33.3', '66.7', '0.0', '100.0', '6.3'], [
            Percent::text(1, 3),
            Percent::text(2, 3),
            Percent::text(0, 7),
            Percent::text(7, 7),
            Percent::text(1, 16),
        ]);
    }
}
