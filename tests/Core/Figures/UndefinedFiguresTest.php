<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\StandardDeviation;
use RowTally\Core\Figures\Variance;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Reason;
use Tests\Core\Support\FigureAssertions;
use Tests\Core\Support\Numbers;

final class UndefinedFiguresTest extends TestCase
{
    use FigureAssertions;

    public function test_without_a_value_every_figure_but_the_counts_says_what_it_needs(): void
    {
        $nothing = new Observations(Numbers::of('', ''), 2);
        foreach (Catalogue::all() as $statistic) {
            $figure = $statistic->of($nothing, new Basis());
            match ($statistic->key()) {
                'n' => self::assertFigure(0, $figure),
                'missing' => self::assertFigure(2, $figure),
                default => self::assertUndefined(Reason::NeedsOneValue, $figure, $statistic->key()),
            };
        }
    }

    public function test_a_sample_of_one_has_no_spread_but_a_population_of_one_has_none_left(): void
    {
        $one = new Observations(Numbers::of('7.5'), 0);

        self::assertUndefined(Reason::NeedsTwoValues, (new StandardDeviation())->of($one, new Basis()));
        self::assertFigure(0.0, (new StandardDeviation())->of($one, new Basis(SampleOrPopulation::Population)));
    }

    public function test_a_variance_that_no_double_holds_is_undefined_while_its_root_stands(): void
    {
        foreach (['e300', 'e-300'] as $size) {
            $values = new Observations(Numbers::of("1{$size}", "3{$size}"), 0);

            self::assertUndefined(Reason::OutOfRange, (new Variance())->of($values, new Basis(SampleOrPopulation::Population)), $size);
            self::assertFigure((float) "1{$size}", (new StandardDeviation())->of($values, new Basis(SampleOrPopulation::Population)), $size);
        }
    }

    public function test_equal_values_have_a_spread_of_zero(): void
    {
        self::assertFigure(0.0, (new Variance())->of(new Observations(Numbers::of('0.1', '0.1', '0.1'), 0), new Basis()));
    }

    public function test_every_statistic_has_a_key_of_its_own_and_a_label(): void
    {
        $keys = array_map(static fn($statistic): string => $statistic->key(), Catalogue::all());

        self::assertSame($keys, array_values(array_unique($keys)));
        foreach (Catalogue::all() as $statistic) {
            self::assertNotSame('', $statistic->label());
        }
    }

    public function test_symbols_follow_what_the_rows_are_taken_as(): void
    {
        $symbols = [];
        foreach (Catalogue::essentials() as $statistic) {
            $symbols[$statistic->key()] = $statistic->symbol(SampleOrPopulation::Sample) . ' ' . $statistic->symbol(SampleOrPopulation::Population);
        }

        self::assertSame(['n N', 'x̄ µ', 's σ', 's² σ²'], [$symbols['n'], $symbols['mean'], $symbols['sd'], $symbols['variance']]);
    }
}
