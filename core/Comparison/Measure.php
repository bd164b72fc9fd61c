<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\InterquartileRange;
use RowTally\Core\Figures\LowerQuartile;
use RowTally\Core\Figures\Mean;
use RowTally\Core\Figures\Median;
use RowTally\Core\Figures\Range;
use RowTally\Core\Figures\StandardDeviation;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Figures\UpperQuartile;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;

/** What of two groups is put against each other. */
enum Measure: string
{
    case Mean = 'mean';
    case Median = 'median';
    case Range = 'range';
    case Sd = 'sd';
    case Q1 = 'q1';
    case Q3 = 'q3';
    case Iqr = 'iqr';

    public function statistic(): Statistic
    {
        return match ($this) {
            self::Mean => new Mean(),
            self::Median => new Median(),
            self::Range => new Range(),
            self::Sd => new StandardDeviation(),
            self::Q1 => new LowerQuartile(),
            self::Q3 => new UpperQuartile(),
            self::Iqr => new InterquartileRange(),
        };
    }

    public function figure(Observations $side, Basis $basis): Figure
    {
        return $this->statistic()->of($side, $basis);
    }

    /** Only for n of 1 or more; a root in 60 digits. Null where the rows are too few. */
    public function exact(Observations $side, Basis $basis): ?BigRational
    {
        if ($this === self::Sd) {
            $variance = $side->variance($basis->takenAs);

            return $variance === null ? null : Exact::squareRootRatio($variance);
        }
        if ($this === self::Range) {
            return $side->values->at($side->n())->minus($side->values->at(1))->toBigRational();
        }
        if ($this === self::Mean || $this === self::Median) {
            return $this === self::Mean ? $side->mean() : $side->median();
        }
        $quartiles = $side->quartiles($basis->quartileRule);

        return match ($this) {
            self::Q1 => $quartiles->q1,
            self::Q3 => $quartiles->q3,
            default => $quartiles->interquartileRange(),
        };
    }

}
