<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Variance s² (σ² for a population): how far the values lie from their mean, on average, squared.
 *
 * Definition  s² = Σ f(x − x̄)² / (n − 1);  σ² = Σ f(x − µ)² / N; under counts n = Σf.
 * Unit        the unit of the variable, squared.
 * Undefined   Reason::NeedsOneValue when n = 0. Reason::NeedsTwoValues for a sample of one (Reason::NeedsMoreThanOne where
 *             counts that are not whole add up to 1 or less); Reason::OutOfRange when the variance leaves the doubles (values
 *             near 1e300 or 1e-300), where the standard deviation still stands. Zero, not undefined, when all values are
 *             equal.
 * When        as a step of other reckonings, where spreads add up.
 * Misleads    Its unit is squared, so that nobody can picture it: tell the standard deviation.
 * Source      Σ(x − x̄)² = (n·Σx² − (Σx)²) / n on exact integers, where nothing can cancel.
 * Accuracy    correctly rounded.
 * Cost        O(1) from merged power sums.
 */
final readonly class Variance extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('variance', 'Variance', 's²', 'σ²', ShownAs::UnitSquared);
    }

    public function dependsOn(): array
    {
        return [Convention::Divisor];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $mean = Written::meanSymbol($basis->takenAs);
        $divisor = $basis->takenAs === SampleOrPopulation::Sample ? 'n − 1' : 'N';
        $squares = Written::number($observations->squaredDeviations());
        $under = Written::number($observations->divisor($basis->takenAs));
        $at = Written::inside($observations->mean());

        return new Steps(
            $this->symbol($basis->takenAs) . " = {Σ(x − {$mean})²}/{{$divisor}}",
            [
                Written::mean($observations, $basis->takenAs),
                "Σ(x − {$mean})² = " . Written::sum($observations, static fn(string $x): string => "({$x} − {$at})²") . " = {$squares}",
                $this->symbol($basis->takenAs) . " = {{$squares}}/{{$under}} = " . Written::number($observations->variance($basis->takenAs) ?? 0),
            ],
            'no convention but the divisor',
        );
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $variance = $observations->variance($basis->takenAs);

        return $variance === null ? self::tooFew($observations) : Figure::exact($variance);
    }

    /** Why there is no spread yet. */
    public static function tooFew(Observations $observations): Figure
    {
        return Figure::undefined($observations->hasWholeCounts() ? Reason::NeedsTwoValues : Reason::NeedsMoreThanOne);
    }
}
