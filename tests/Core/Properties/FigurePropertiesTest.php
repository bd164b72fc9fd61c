<?php

declare(strict_types=1);

namespace Tests\Core\Properties;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\ValueCounts;

/** Laws that hold for any data. Numbers are hundredths, so that expected answers can be said exactly. */
final class FigurePropertiesTest extends TestCase
{
    use TestTrait;

    private const SPREADS = ['sd', 'range', 'iqr'];
    private const PLACES = ['mean', 'min', 'q1', 'median', 'q3', 'max', 'lower_fence', 'upper_fence'];

    public function test_the_order_of_the_rows_does_not_matter(): void
    {
        $this->forAll($this->hundredths())->then(function (array $values): void {
            $reversed = array_reverse($values);

            self::assertSame($this->figures($values), $this->figures($reversed));
        });
    }

    public function test_shifting_the_data_moves_places_and_leaves_spreads(): void
    {
        $this->forAll($this->hundredths(), Generators::choose(-100000, 100000))->then(function (array $values, int $shift): void {
            $before = $this->figures($values);
            $after = $this->figures(array_map(static fn(int $value): int => $value + $shift, $values));
            foreach (self::SPREADS as $key) {
                self::assertSame($before[$key], $after[$key], $key);
            }
            foreach (self::PLACES as $key) {
                self::assertEqualsWithDelta($before[$key] + $shift / 100, $after[$key], 1e-9, $key);
            }
        });
    }

    public function test_turning_the_sign_mirrors_the_figures(): void
    {
        $this->forAll($this->hundredths())->then(function (array $values): void {
            $before = $this->figures($values, QuartileRule::Hf7);
            $after = $this->figures(array_map(static fn(int $value): int => -$value, $values), QuartileRule::Hf7);

            self::assertSame([$before['sd'], $before['q1'] + 0.0, $before['max'] + 0.0], [$after['sd'], 0.0 - $after['q3'], 0.0 - $after['min']]);
        });
    }

    public function test_quartiles_lie_inside_the_data_and_in_order_under_every_rule(): void
    {
        $this->forAll($this->hundredths(), Generators::elements(...QuartileRule::cases()))->then(function (array $values, QuartileRule $rule): void {
            $figures = $this->figures($values, $rule);

            self::assertLessThanOrEqual($figures['q1'], $figures['min']);
            self::assertLessThanOrEqual($figures['q3'], $figures['q1']);
            self::assertLessThanOrEqual($figures['max'], $figures['q3']);
        });
    }

    public function test_integers_and_doubles_of_the_same_data_give_the_same_places(): void
    {
        $this->forAll($this->hundredths())->then(function (array $values): void {
            $doubles = ValueCounts::ofUnorderedDoubles(array_map(static fn(int $value): float => NumberColumn::toDouble($value, 2), $values));
            $expected = $this->figures($values);
            foreach (Catalogue::all() as $statistic) {
                if (in_array($statistic->key(), ['min', 'q1', 'median', 'q3', 'max', 'range', 'iqr', 'lower_fence', 'upper_fence'], true)) {
                    self::assertSame($expected[$statistic->key()], $statistic->of(new Observations($doubles, 0), new Basis())->value, $statistic->key());
                }
            }
        });
    }

    public function test_values_survive_being_packed_and_unpacked(): void
    {
        $this->forAll($this->hundredths())->then(static function (array $values): void {
            $packed = ValueCounts::ofUnorderedIntegers($values, 2)->toBytes();

            self::assertSame($packed, ValueCounts::fromBytes($packed, 2)->toBytes());
        });
    }

    private function hundredths(): \Eris\Generator
    {
        return Generators::suchThat(
            static fn(array $values): bool => $values !== [],
            Generators::seq(Generators::choose(-5000, 5000)),
        );
    }

    /**
     * @param list<int> $values hundredths
     *
     * @return array<string, int|float|null>
     */
    private function figures(array $values, QuartileRule $rule = QuartileRule::HalvesExcluded): array
    {
        $observations = new Observations(ValueCounts::ofUnorderedIntegers($values, 2), 0);
        $figures = [];
        foreach (Catalogue::all() as $statistic) {
            $figures[$statistic->key()] = $statistic->of($observations, new Basis(quartileRule: $rule))->value;
        }

        return $figures;
    }
}
