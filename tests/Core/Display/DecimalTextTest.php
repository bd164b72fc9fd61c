<?php

declare(strict_types=1);

namespace Tests\Core\Display;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Display\Percent;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\LowerQuartile;
use RowTally\Core\Figures\Maximum;
use RowTally\Core\Figures\Mean;
use RowTally\Core\Figures\Median;
use RowTally\Core\Figures\Minimum;
use RowTally\Core\Figures\Mode;
use RowTally\Core\Figures\Range;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Figures\Sum;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use Tests\Core\Support\Numbers;

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

    /** @return iterable<string, array{int|float, int, string}> */
    public static function significantDigits(): iterable
    {
        yield 'fewer than stand before the point' => [15, 1, '20'];
        yield 'a negative half' => [-250, 1, '−300'];
        yield 'rounds up a digit more' => [996, 2, '1000'];
        yield 'just as many' => [15, 2, '15'];
        yield 'zeros at the end are kept' => [0.3, 2, '0.30'];
        yield 'nine tenths become one digit more' => [9.99, 2, '10'];
        yield 'many more before the point' => [123456789.5, 3, '123000000'];
        yield 'nothing' => [0, 3, '0'];
        yield 'huge' => [1.26e300, 2, '1.3 × 10³⁰⁰'];
    }

    #[DataProvider('significantDigits')]
    public function test_significant_digits_count_from_the_first(int|float $value, int $digits, string $text): void
    {
        self::assertSame($text, DecimalText::significant($value, $digits));
    }

    public function test_figures_that_are_values_of_the_data_have_their_decimals(): void
    {
        $whole = new Observations(Numbers::of('2020', '2021', '2024', '2024'), 0);
        $text = static fn(Statistic $statistic, Observations $of, string $decimals = 'data+1'): ?string => (new FigureText(new Basis(decimals: ShownDecimals::ofWord($decimals)), $of->values->decimals()))
            ->of($statistic, $statistic->of($of, new Basis()));

        self::assertSame(['2020', '2024', '4', '8089', '2024'], array_map(static fn(Statistic $statistic): ?string => $text($statistic, $whole), [new Minimum(), new Maximum(), new Range(), new Sum(), new Mode()]));
        // The middle of 2021 and 2024 is no value, nor is the mean; of 1, 2, 2 and 5 the median is one.
        self::assertSame(['2022.5', '2022.3'], [$text(new Median(), $whole), $text(new Mean(), $whole)]);
        self::assertSame('2', $text(new Median(), new Observations(Numbers::of('1', '2', '2', '5'), 0)));
        self::assertSame('3.0', $text(new Median(), new Observations(Numbers::of('2', '4'), 0)), 'between two values, though whole');
        self::assertSame(['0.50', '0.5'], [$text(new Mean(), new Observations(Numbers::of('0.5', '0.5'), 0)), $text(new LowerQuartile(), new Observations(Numbers::of('0.5', '0.5'), 0))]);
        self::assertSame(['2020.00', '2000'], [$text(new Minimum(), $whole, '2'), $text(new Minimum(), $whole, 's2')]);
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
