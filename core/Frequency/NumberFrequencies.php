<?php

declare(strict_types=1);

namespace RowTally\Core\Frequency;

use Brick\Math\BigDecimal;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Bars;

/** Frequency tables of a number: a row for each value while they are few, otherwise one for each class of the histogram. */
final class NumberFrequencies
{
    /** Up to so many distinct values there is a row for each without being asked. */
    public const FEW = 25;
    /** When asked for, up to so many. */
    public const MOST = 1000;

    /**
     * @param list<Observations> $columns  overall, then each group
     * @param bool               $distinct whether distinct values are wanted though they are many
     */
    public static function of(array $columns, ?Bars $bars, bool $distinct): FrequencyTable
    {
        $overall = $columns[0];
        $missing = array_map(static fn(Observations $group): int => $group->missing, $columns);
        if ($bars === null || !$overall->values->hasMoreDistinctThan($distinct ? self::MOST : self::FEW)) {
            $values = array_map(static fn(array $entry): BigDecimal => $entry['value'], $overall->values->lowest(self::MOST));

            return new FrequencyTable(
                FrequencyKind::Values,
                array_map(DecimalText::plain(...), $values),
                array_map(static fn(Observations $group): array => array_map(
                    static fn(BigDecimal $value): int => $group->values->countUpTo($value->toBigRational()) - $group->values->countBelow($value->toBigRational()),
                    $values,
                ), $columns),
                $missing,
                $overall->countDecimals,
            );
        }

        return new FrequencyTable(
            FrequencyKind::Classes,
            $bars->classes->labels($bars->histograms[0]->closed),
            array_map(static fn($histogram): array => $histogram->counts, $bars->histograms),
            $missing,
            $overall->countDecimals,
        );
    }
}
