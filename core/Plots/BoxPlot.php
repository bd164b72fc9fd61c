<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Quantiles\MiddleValue;
use RowTally\Core\Values\Exact;

/**
 * The geometry of a box plot, in the unit of the variable.
 *
 * Definition  box from Q₁ to Q₃ under the rule of the basis, a line at the median, whiskers to the last value inside the inner
 *             fences, every value beyond them marked. Notches reach median ± 1.57 · IQR / √n: where those of two boxes do not overlap, their
 *             medians are unlike.
 * Undefined   for no values, and where a quartile leaves the doubles.
 * Source      Tukey, Exploratory Data Analysis (1977), chapter 2; notches: McGill, Tukey & Larsen, The American Statistician 32 (1978) 12–16.
 * Accuracy    exact, then correctly rounded; notches to a few units in the last place.
 * Cost        that of the quartiles and of the outliers.
 */
final readonly class BoxPlot
{
    private const NOTCH = 1.57;

    private function __construct(
        public float $q1,
        public float $median,
        public float $q3,
        public float $whiskerLow,
        public float $whiskerHigh,
        public ?float $mean,
        public float $min,
        public float $max,
        /** As many as it stands for: rows, or what the counts add up to. */
        public float $n,
        public float $notchLow,
        public float $notchHigh,
        public Outliers $outliers,
    ) {}

    /**
     * @throws InvalidInput when there are no values
     */
    public static function of(Observations $observations, Basis $basis): self
    {
        if ($observations->n() === 0) {
            throw InvalidInput::noValues('A box plot');
        }
        $values = $observations->values;
        $quartiles = $observations->quartiles($basis->quartileRule);
        $median = Exact::toFloat(MiddleValue::of($values)) ?? 0.0;
        $n = Exact::toFloat($observations->size()) ?? 0.0;
        $reach = self::NOTCH * (Exact::toFloat($quartiles->interquartileRange()) ?? 0.0) / sqrt($n);
        $outliers = Outliers::of($observations, $basis);

        return new self(
            Exact::toFloat($quartiles->q1) ?? 0.0,
            $median,
            Exact::toFloat($quartiles->q3) ?? 0.0,
            (float) (string) $values->at(min($outliers->firstInside, $values->n())),
            (float) (string) $values->at(max($outliers->lastInside, 1)),
            Exact::toFloat($observations->mean()),
            (float) (string) $values->at(1),
            (float) (string) $values->at($values->n()),
            $n,
            max(-PHP_FLOAT_MAX, $median - $reach),
            min(PHP_FLOAT_MAX, $median + $reach),
            $outliers,
        );
    }
}
