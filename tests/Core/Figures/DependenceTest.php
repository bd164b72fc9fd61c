<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Percentile;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Observations\Observations;
use Tests\Core\Support\Numbers;

final class DependenceTest extends TestCase
{
    public function test_a_figure_depends_on_what_it_says_and_on_nothing_else(): void
    {
        // What depends on a convention tells a difference on some of these.
        mt_srand(7);
        $samples = array_map(static fn(): Observations => new Observations(Numbers::ofTexts(array_map(static fn(): string => (string) (mt_rand(0, 9) ** mt_rand(1, 2)), range(1, mt_rand(5, 14)))), 0), range(1, 60));
        $others = [
            [Convention::Divisor, [new Basis(SampleOrPopulation::Population)]],
            [Convention::QuartileRule, array_map(static fn(QuartileRule $rule): Basis => new Basis(quartileRule: $rule), QuartileRule::cases())],
            [Convention::Fences, [new Basis(innerFence: '0.4'), new Basis(innerFence: '3')]],
            [Convention::Level, [new Basis(level: '0.9')]],
        ];
        foreach ([...Catalogue::all(), new Percentile('10')] as $statistic) {
            $found = [];
            foreach ($others as [$convention, $bases]) {
                if (array_filter($samples, static fn(Observations $sample): bool => array_filter($bases, static fn(Basis $basis): bool => self::value($statistic, $sample, $basis) !== self::value($statistic, $sample, new Basis())) !== []) !== []) {
                    $found[] = $convention;
                }
            }
            self::assertSame($found, $statistic->dependsOn(), $statistic->key());
        }
    }

    private static function value(Statistic $statistic, Observations $observations, Basis $basis): string
    {
        return json_encode($statistic->of($observations, $basis)->value, JSON_THROW_ON_ERROR);
    }
}
