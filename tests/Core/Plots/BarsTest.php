<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Plots\StackOptions;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;

/** Laws of the bars, whatever the values and the classes. */
final class BarsTest extends TestCase
{
    use TestTrait;

    public function test_every_value_is_in_one_class_or_outside_and_heights_follow_the_counts(): void
    {
        $this->limitTo(80)->forAll(Generators::choose(1, 1 << 30))->then(static function (int $seed): void {
            mt_srand($seed);
            $draw = static fn(): Observations => new Observations(ValueCounts::ofUnorderedIntegers(array_map(static fn(): int => mt_rand(-500, 500), range(1, mt_rand(1, 60))), 1), 0);
            [$first, $second] = [$draw(), $draw()];
            $start = mt_rand(-60, 10);
            $closed = ClassEdge::cases()[mt_rand(0, 1)];
            $word = mt_rand(0, 1) === 0 ? "{$start}:" . mt_rand(3, 40) : "{$start}," . ($start + 7) . ',' . ($start + 50);
            foreach (HeightScale::cases() as $scale) {
                $bars = Bars::of($first, [$second], new Basis(classEdge: $closed), new StackOptions(ClassChoice::ofWord($word), $scale));
                self::assertNotNull($bars);
                foreach ([$first, $second] as $lane => $group) {
                    [$histogram, $heights] = [$bars->histograms[$lane], $bars->heights[$lane]];
                    self::assertSame($group->n(), $histogram->below + $histogram->above + array_sum($histogram->counts), $word);
                    self::assertLessThanOrEqual($bars->highest[$lane], max($heights));
                    $inside = array_sum($histogram->counts) / $group->n();
                    $total = match ($bars->scale) {
                        HeightScale::Count => array_sum($heights) / $group->n(),
                        HeightScale::Percent => array_sum($heights) / 100,
                        HeightScale::Density => array_sum(array_map(static fn(int $i, float $height): float => $height * (float) (string) $bars->classes->widthOf($i), array_keys($heights), $heights)),
                        HeightScale::Cumulative => $heights[count($heights) - 1] / 100 - $histogram->below / $group->n(),
                    };
                    self::assertEqualsWithDelta($inside, $total, 1e-12, "{$word} {$scale->value}");
                }
            }
        });
    }

    public function test_without_values_there_are_none(): void
    {
        self::assertNull(Bars::of(new Observations(Numbers::of(), 3), [], new Basis(), new StackOptions()));
    }

    public function test_a_group_without_values_has_bars_of_no_height(): void
    {
        $bars = Bars::of(new Observations(Numbers::of('1', '2'), 0), [new Observations(Numbers::of(), 2)], new Basis(), new StackOptions(scale: HeightScale::Percent));

        self::assertNotNull($bars);
        self::assertSame(0.0, array_sum($bars->heights[1]));
    }
}
