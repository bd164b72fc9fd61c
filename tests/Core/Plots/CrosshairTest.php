<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigRational;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Frequency\Percent;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\Crosshair;
use RowTally\Core\Values\Observations;
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
                ? BigRational::of(json_encode($stack->bars->axis->from + ($stack->bars->axis->to - $stack->bars->axis->from) * $i / 300, JSON_THROW_ON_ERROR))
                : BigRational::of(str_replace('−', '-', $shown));
            self::assertSame(Percent::text($observations->values->countBelow($at), $observations->n()), $crosshair->percentiles[$i], $shown);
        }
    }
}
