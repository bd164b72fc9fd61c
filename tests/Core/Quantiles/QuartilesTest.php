<?php

declare(strict_types=1);

namespace Tests\Core\Quantiles;

use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Quantiles\Quantile;
use RowTally\Core\Quantiles\Quartiles;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\FigureAssertions;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

final class QuartilesTest extends TestCase
{
    use FigureAssertions;

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'valuesCases')]
    public function test_every_percentile_of_the_nine_definitions_is_correctly_rounded(array $case): void
    {
        $values = ReferenceCases::values($case['input']['values']);
        self::assertCount(9, $case['expected']['percentiles']);
        foreach ($case['expected']['percentiles'] as $rule => $percentiles) {
            foreach ($percentiles as $percent => $expected) {
                $got = Exact::toFloat(Quantile::of($values, QuartileRule::from($rule), (int) $percent, 100));
                self::assertWithinUlps((float) $expected, $got, 0, "{$rule} at {$percent} %");
            }
        }
    }

    public function test_the_second_quartile_of_some_definitions_is_not_the_median(): void
    {
        $quartiles = Quartiles::of(Numbers::of('1', '2', '3', '4'), QuartileRule::Hf1);

        self::assertTrue($quartiles->q2->isEqualTo(2));
    }

    public function test_the_halves_rules_are_served_by_definitions_six_and_seven_elsewhere(): void
    {
        $values = Numbers::of('1', '2', '4', '8', '16');

        self::assertEquals(Quantile::of($values, QuartileRule::Hf6, 1, 10), Quantile::of($values, QuartileRule::HalvesExcluded, 1, 10));
        self::assertEquals(Quantile::of($values, QuartileRule::Hf7, 1, 10), Quantile::of($values, QuartileRule::HalvesIncluded, 1, 10));
    }

    public function test_without_values_there_is_no_quartile(): void
    {
        $this->expectException(InvalidInput::class);

        Quartiles::of(ValueCounts::ofIntegers([], [], 0), QuartileRule::Hf7);
    }

    public function test_a_rank_outside_the_values_is_a_mistake_of_the_caller(): void
    {
        $this->expectExceptionMessage('Rank 3 lies outside 1 to 2.');

        Numbers::of('1', '2')->at(3);
    }
}
