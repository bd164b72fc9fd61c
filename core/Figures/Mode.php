<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Modes: the values that occur most often.
 *
 * Definition  all values with the largest count.
 * Unit        the unit of the variable.
 * Undefined   Reason::NoValueRepeats where every value occurs once, Reason::AllEquallyFrequent where all occur equally often
 *             and there is more than one; Reason::NeedsOneValue when n = 0.
 * When        for values that repeat: counts, sizes, marks.
 * Misleads    Of finely measured values it is an accident of rounding, and another row can move it from one end to the other.
 * Source      no convention involved.
 * Accuracy    exact.
 * Cost        one pass over the counts.
 */
final readonly class Mode extends NamedStatistic
{
    public function __construct()
    {
        parent::__construct('modes', 'Mode', '', '', ShownAs::Values);
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $most = Modes::of($observations->values);
        $values = implode(NumberMarks::inForce()->between(), array_map(Written::number(...), array_slice($most->values, 0, 20)));

        return new Steps('the values that occur most often', ["{$values}: " . Written::count($most->count, $observations->countDecimals) . ' times' . (count($most->values) > 1 ? ' each' : '')], 'no convention involved');
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $most = Modes::of($observations->values);

        return $most->reason ?? Figure::values($most->values);
    }
}
