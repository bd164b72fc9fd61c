<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\RoundingMode;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\InterquartileRange;
use RowTally\Core\Figures\Range;
use RowTally\Core\Figures\StandardDeviation;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/**
 * How many classes, or how wide ones, three rules ask for, before edges are moved to round numbers.
 *
 * Definition  Sturges: ⌈log₂ n⌉ + 1 classes. Scott: width 3.49·s·n^(−1/3). Freedman–Diaconis: width 2·IQR·n^(−1/3), the IQR by
 *             definition 7. From a width: max(1, ⌈range / width⌉) classes.
 * Unit        widths in the unit of the variable.
 * Undefined   null where the width is 0 or undefined.
 * Source      Sturges, JASA 21 (1926) 65–66; Scott, Biometrika 66 (1979) 605–610; Freedman & Diaconis, Z. Wahrsch. verw. Gebiete
 *             57 (1981) 453–476.
 * Accuracy    1e-10 relative for widths; Sturges exact, powers of two included.
 * Cost        that of the standard deviation or of two quartiles.
 */
enum ClassRule: string
{
    case Sturges = 'sturges';
    case Scott = 'scott';
    case FreedmanDiaconis = 'freedman-diaconis';

    public function width(Observations $observations): ?float
    {
        $spread = match ($this) {
            self::Sturges => null,
            self::Scott => (new StandardDeviation())->of($observations, new Basis(SampleOrPopulation::Sample))->number(),
            self::FreedmanDiaconis => (new InterquartileRange())->of($observations, new Basis(quartileRule: QuartileRule::Hf7))->number(),
        };
        if ($spread === null || $spread <= 0) {
            return null;
        }
        $factor = $this === self::Scott ? 3.49 : 2.0;

        // A width beyond the doubles is one class.
        return min(PHP_FLOAT_MAX, $spread * ($factor * (Exact::toFloat($observations->size()) ?? 0.0) ** (-1 / 3)));
    }

    public function number(Observations $observations): ?int
    {
        $n = $observations->size()->toScale(0, RoundingMode::CEILING)->toInt();
        if ($n === 0) {
            return null;
        }
        if ($this === self::Sturges) {
            // ⌈log₂ n⌉ is the number of binary digits of n − 1.
            return ($n === 1 ? 0 : strlen(decbin($n - 1))) + 1;
        }
        $width = $this->width($observations);
        $range = (new Range())->of($observations, new Basis())->number();

        return $width === null || $range === null ? null : (int) max(1, min(PHP_INT_MAX >> 1, ceil($range / $width)));
    }
}
