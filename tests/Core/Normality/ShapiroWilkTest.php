<?php

declare(strict_types=1);

namespace Tests\Core\Normality;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Distributions\Normal;
use RowTally\Core\Normality\ShapiroWilk;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Reason;
use Tests\Core\Support\Numbers;

/** What holds of the test whatever the numbers; its values are held by the reference cases. */
final class ShapiroWilkTest extends TestCase
{
    public function test_three_values_give_the_closed_form(): void
    {
        // Of three values W = (x₃ − x₁)² / (2 Σ(x − x̄)²), and p = 6/π · (asin √W − asin √¾).
        $values = [1.0, 2.0, 4.0];
        $mean = array_sum($values) / 3;
        $w = 9 / (2 * array_sum(array_map(static fn(float $x): float => ($x - $mean) ** 2, $values)));
        $test = ShapiroWilk::of(new Observations(Numbers::of('1', '2', '4'), 0));

        self::assertEqualsWithDelta($w, $test->statistic->number(), 1e-12);
        self::assertEqualsWithDelta(6 / M_PI * (asin(sqrt($w)) - asin(sqrt(0.75))), $test->p->number(), 1e-9);
    }

    public function test_normal_scores_look_normal_and_doubled_powers_do_not(): void
    {
        $scores = array_map(static fn(int $i): string => sprintf('%.6f', Normal::quantile(($i - 0.375) / 50.25)), range(1, 50));
        $powers = array_map(static fn(int $i): string => (string) 2 ** ($i % 20), range(1, 50));
        $normal = ShapiroWilk::of(new Observations(Numbers::ofTexts($scores), 0));
        $skewed = ShapiroWilk::of(new Observations(Numbers::ofTexts($powers), 0));

        self::assertGreaterThan(0.99, $normal->statistic->number());
        self::assertGreaterThan(0.9, $normal->p->number());
        self::assertLessThan(0.6, $skewed->statistic->number());
        self::assertLessThan(1e-8, $skewed->p->number());
    }

    public function test_a_mirror_and_another_unit_change_nothing(): void
    {
        $texts = ['1.2', '3.4', '2.2', '9.9', '4.1', '0.3', '2.5'];
        $of = static fn(float $factor, float $shift): array => [
            ShapiroWilk::of(new Observations(Numbers::ofTexts(array_map(static fn(string $text): string => sprintf('%.3f', $factor * (float) $text + $shift), $texts)), 0))->statistic->number(),
            ShapiroWilk::of(new Observations(Numbers::ofTexts(array_map(static fn(string $text): string => sprintf('%.3f', $factor * (float) $text + $shift), $texts)), 0))->p->number(),
        ];

        self::assertEqualsWithDelta($of(1, 0), $of(-1, 20), 1e-12);
        self::assertEqualsWithDelta($of(1, 0), $of(1000, -7), 1e-12);
    }

    public function test_it_says_why_there_is_none(): void
    {
        $reason = static fn(string ...$texts): ?Reason => ShapiroWilk::of(new Observations(Numbers::of(...$texts), 0))->statistic->reason;

        self::assertSame(Reason::AllValuesAreEqual, $reason('2', '2', '2'));
        self::assertNotNull($reason('1', '2'));
        self::assertSame(Reason::NeedsAtMost5000Values, $reason(...array_map(strval(...), range(1, 5001))));
    }
}
