<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Reason;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Values\Observations;
use Tests\Core\Support\FigureAssertions;
use Tests\Core\Support\ReferenceCases;

/**
 * Every figure of the catalogue against the reference cases. The house standard is two units in the last place; what is asked
 * here is more: the correctly rounded double itself, to the last bit.
 */
final class ReferenceFiguresTest extends TestCase
{
    use FigureAssertions;

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'valuesCases')]
    public function test_figures_of_raw_values_are_correctly_rounded(array $case): void
    {
        $values = ReferenceCases::values($case['input']['values']);
        $missing = count(array_keys($case['input']['values'], null, true));

        $this->compare(new Observations($values, $missing), $case['expected']);
    }

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'wholeCountsCases')]
    public function test_figures_under_whole_counts_are_those_of_the_expanded_rows(array $case): void
    {
        $values = ReferenceCases::expanded($case['input']['values'], $case['input']['counts']);

        $this->compare(new Observations($values, 0), $case['expected']);
    }

    /** @param array<string, mixed> $expected */
    private function compare(Observations $observations, array $expected): void
    {
        foreach (Catalogue::all() as $statistic) {
            foreach (TakenAs::cases() as $takenAs) {
                foreach (QuartileRule::cases() as $rule) {
                    $this->compareFigure($statistic, $observations, new Basis($takenAs, $rule), $expected);
                }
            }
        }
    }

    /** @param array<string, mixed> $expected */
    private function compareFigure(Statistic $statistic, Observations $observations, Basis $basis, array $expected): void
    {
        $key = $statistic->key();
        $figure = $statistic->of($observations, $basis);
        $wanted = match ($key) {
            'variance', 'sd' => $expected[$key][$basis->takenAs->value],
            'q1', 'q3', 'iqr', 'lower_fence', 'upper_fence' => $expected['quartiles'][$basis->quartileRule->value][$key],
            default => $expected[$key],
        };
        $what = "{$key} as {$basis->takenAs->value} by {$basis->quartileRule->value}";
        if ($wanted === null) {
            self::assertUndefined($observations->n() === 0 ? Reason::NeedsOneValue : Reason::NeedsTwoValues, $figure, $what);

            return;
        }
        self::assertNull($figure->reason, $what);
        if ($key === 'n' || $key === 'missing') {
            self::assertSame($wanted, $figure->value, $what);

            return;
        }
        self::assertWithinUlps((float) $wanted, $figure->value, 0, $what);
    }
}
