<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Display\Percent;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\Crosshair;
use RowTally\Core\Plots\StackOptions;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\BucketPlaces;
use RowTally\Core\Values\SiftedBuckets;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\CrosshairWords;
use Tests\Core\Support\Numbers;

final class CrosshairTest extends TestCase
{
    /** @return iterable<string, array{list<string>}> */
    public static function values(): iterable
    {
        mt_srand(3);
        $draw = static fn(int $n, callable $one): array => array_map($one, range(1, $n));
        yield 'one decimal, as the places have' => [$draw(300, static fn(): string => (string) (mt_rand(200, 600) / 10))];
        yield 'finer than the places' => [$draw(300, static fn(): string => sprintf('%d.%06d', mt_rand(-40, 40), mt_rand(0, 999999)))];
        yield 'coarser than the places' => [$draw(50, static fn(): string => (string) mt_rand(-2, 2))];
        yield 'doubles' => [$draw(50, static fn(): string => mt_rand(1, 99) . 'e-30')];
        yield 'huge whole numbers' => [$draw(50, static fn(): string => mt_rand(1, 99) . '00000000000000001')];
    }

    /** @param list<string> $texts */
    #[DataProvider('values')]
    public function test_the_percentile_at_a_place_is_the_share_below_what_is_shown_of_it(array $texts): void
    {
        $observations = new Observations(Numbers::ofTexts($texts), 0);
        $stack = AlignedStack::of($observations, [], new Basis());
        $crosshair = Crosshair::of($observations, new Basis());
        self::assertNotNull($stack);
        self::assertNotNull($crosshair);
        foreach ($crosshair->values as $i => $shown) {
            $at = str_contains($shown, '×') || $observations->values->decimals() === null
                ? BigRational::of(json_encode($stack->bars->axis->from + ($stack->bars->axis->to - $stack->bars->axis->from) * ($i / 300), JSON_THROW_ON_ERROR))
                : BigRational::of(str_replace('−', '-', $shown));
            self::assertSame(Percent::text($observations->values->countBelow($at), $observations->n()), CrosshairWords::at($crosshair, $i)['percent'], $shown);
        }
    }

    public function test_over_very_many_values_it_goes_straight_from_class_to_class_and_meets_the_counts_at_every_edge(): void
    {
        mt_srand(11);
        $parts = [];
        for ($i = 0; $i < 20; ++$i) {
            $parts[] = array_map(static fn(): int => mt_rand(100 * $i, 100 * $i + 99), range(1, 40 + 5 * $i));
        }
        $plain = ValueCounts::ofUnorderedIntegers(array_merge(...$parts), 0);
        $observations = new Observations(new BucketedValues(SiftedBuckets::of($parts, BucketPlaces::ofIntegers(0, 1999, 20), 0), 0, $plain->powerSums()), 0);
        $exact = Crosshair::of(new Observations($plain, 0), new Basis());
        $crosshair = Crosshair::of($observations, new Basis());
        $bars = Bars::of($observations, [], new Basis(), new StackOptions());
        self::assertNotNull($exact);
        self::assertNotNull($crosshair);
        self::assertNotNull($bars);
        $share = static fn(string $text): float => (float) rtrim($text, '% ');
        $edges = $bars->histograms[0]->classes->edges();
        $met = 0;
        foreach ($crosshair->values as $i => $shown) {
            self::assertSame([$exact->values[$i], CrosshairWords::at($exact, $i)['z']], [$shown, CrosshairWords::at($crosshair, $i)['z']]);
            $at = (float) str_replace('−', '-', $shown);
            // Between edges it may stray by what one class holds; at an edge it is the count itself.
            self::assertEqualsWithDelta($share(CrosshairWords::at($exact, $i)['percent']), $share(CrosshairWords::at($crosshair, $i)['percent']), 100 * max($bars->histograms[0]->counts) / $plain->n());
            if (in_array($at, $edges, true)) {
                ++$met;
                self::assertEqualsWithDelta($share(CrosshairWords::at($exact, $i)['percent']), $share(CrosshairWords::at($crosshair, $i)['percent']), 0.1, $shown);
            }
            self::assertGreaterThanOrEqual($share(CrosshairWords::at($crosshair, max(0, $i - 1))['percent']), $share(CrosshairWords::at($crosshair, $i)['percent']));
        }
        self::assertGreaterThan(1, $met);
    }
}
