<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Normality\AndersonDarling;
use RowTally\Core\Normality\Lilliefors;
use RowTally\Core\Normality\Normality;
use RowTally\Core\Normality\ShapiroWilk;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * The statistic or the p of a test of normality. A small p is unlike a normal.
 *
 * Definition, source, accuracy, cost  see `ShapiroWilk`, `Lilliefors`, `AndersonDarling`.
 */
final readonly class NormalityFigure extends NamedStatistic
{
    private const LABELS = ['shapiro_wilk' => 'Shapiro–Wilk', 'lilliefors' => 'Lilliefors', 'anderson_darling' => 'Anderson–Darling'];
    private const SYMBOLS = ['shapiro_wilk' => 'W', 'lilliefors' => 'D', 'anderson_darling' => 'A²'];
    private const KEYS = ['shapiro_wilk' => 'w', 'lilliefors' => 'd', 'anderson_darling' => 'a2'];
    private const DEFINITIONS = [
        'shapiro_wilk' => 'W = {(Σ aᵢ·x₍ᵢ₎)²}/{Σ(x − x̄)²} with Royston’s weights aᵢ',
        'lilliefors' => 'D = the largest of i/n − F(zᵢ) and F(zᵢ) − (i − 1)/n, z = {x − x̄}/{s}',
        'anderson_darling' => 'A² = −n − {Σ(2i − 1)(ln F(zᵢ) + ln(1 − F(zₙ₊₁₋ᵢ)))}/{n}, z = {x − x̄}/{s}',
    ];
    private const SOURCES = [
        'shapiro_wilk' => 'Royston, Algorithm AS R94, Applied Statistics 44 (1995) 547–551',
        'lilliefors' => 'Dallal & Wilkinson, The American Statistician 40 (1986) 294–296',
        'anderson_darling' => 'D’Agostino & Stephens, Goodness-of-Fit Techniques (1986), table 4.9',
    ];
    private const MANY = 2000;

    /** @param 'shapiro_wilk'|'lilliefors'|'anderson_darling' $test */
    public function __construct(private string $test, private bool $isP)
    {
        $symbol = $isP ? 'p' : self::SYMBOLS[$test];
        parent::__construct($test . '_' . ($isP ? 'p' : self::KEYS[$test]), self::LABELS[$test], $symbol, $symbol, $isP ? ShownAs::Probability : ShownAs::Ratio);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $outcome = $this->outcome($observations);
        $p = $outcome->p->number();

        return new Steps(
            self::DEFINITIONS[$this->test],
            [
                'n = ' . Written::size($observations),
                self::SYMBOLS[$this->test] . ' = ' . Written::number($outcome->statistic->number() ?? 0),
                'p ' . ($p === null ? (string) $outcome->p->reason?->value : '= ' . Written::number($p)) . ': how often values from a normal distribution would stray at least as far; a small p is unlike a normal',
                ...($observations->n() >= self::MANY ? ['With so many values tiny departures give a small p: the plot says more.'] : []),
            ],
            self::SOURCES[$this->test],
        );
    }

    /** Of the tests' figures all but A² are between 0 and 1. */
    public function liesWithinOne(): bool
    {
        return $this->isP || $this->test !== 'anderson_darling';
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $outcome = $this->outcome($observations);

        return $this->isP ? $outcome->p : $outcome->statistic;
    }

    private function outcome(Observations $observations): Normality
    {
        return $observations->remembered($this->test, match ($this->test) {
            'shapiro_wilk' => ShapiroWilk::of(...),
            'lilliefors' => Lilliefors::of(...),
            'anderson_darling' => AndersonDarling::of(...),
        });
    }
}
