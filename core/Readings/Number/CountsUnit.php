<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Values\Exact;

/**
 * The sample standard deviation takes one from the count.
 *
 * Misleads    Weights that are not counts of rows have no sample SD that means anything; taken as a population it does not hang on their unit.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class CountsUnit implements Rule
{
    private const TIMES = ['tens' => 10, 'dozens' => 12, 'hundreds' => 100, 'thousands' => 1000, 'millions' => 1_000_000];

    public function key(): string
    {
        return 'counts_unit';
    }

    public function rule(): string
    {
        return 'Counts are not all whole, and the rows are taken as a sample.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $observations = $subject->observations;
        $variance = $observations->n() === 0 ? null : $observations->variance(SampleOrPopulation::Sample);
        if ($observations->hasWholeCounts() || $subject->basis()->takenAs !== SampleOrPopulation::Sample || $variance === null) {
            return null;
        }
        $unit = $subject->basis()->countsUnit;
        $times = self::TIMES[strtolower($unit ?? '')] ?? 10 ** $observations->countDecimals;
        $alone = Exact::squareRoot($observations->squaredDeviations()->multipliedBy($times)->dividedBy($observations->size()->multipliedBy($times)->minus(1)));
        if ($alone === null) {
            return null;
        }
        $what = isset(self::TIMES[strtolower($unit ?? '')]) ? 'counted one by one' : "with counts {$times} times as large";

        return new Said(
            'The sample SD depends on the unit of the counts' . ($unit === null ? '' : " ({$unit})") . ": {$what} it would be {$subject->wording->inUnit($alone)}. σ does not.",
            ['sd' => Exact::squareRoot($variance), 'sd_counted_singly' => $alone],
            58,
        );
    }
}
