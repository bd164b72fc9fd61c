<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Kurtosis;
use RowTally\Core\Figures\MeanIntervalLimit;
use RowTally\Core\Figures\MedianAbsoluteDeviation;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Figures\StandardError;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/** Figures as others reckon them. */
final class OtherReckonings
{
    /** Quantiles of the normal distribution as they are looked up. */
    private const NORMAL_QUANTILES = ['1.645', '1.96', '2', '2.326', '2.576', '3'];
    /** What makes the MAD an estimate of σ where values are normal. */
    private const MAD_FACTOR = '1.4826';

    /**
     * @param bool $isPercent whether the number that was given has a percent sign
     *
     * @return list<array{VariedStatistic, string}> how, in words
     */
    public static function all(bool $isPercent): array
    {
        $error = static fn(Observations $observations): float => (float) ((new StandardError())->of($observations, new Basis())->number() ?? NAN);
        $factor = (float) self::MAD_FACTOR;
        $all = [
            [new VariedStatistic(new Kurtosis(), 'kurtosis + 3', static fn(float $excess): float => $excess + 3.0), 'without the −3, so that a normal distribution has 3'],
            [new VariedStatistic(new MedianAbsoluteDeviation(), self::MAD_FACTOR . '·MAD', static fn(float $mad): float => $factor * $mad), 'times ' . self::MAD_FACTOR],
            [new VariedStatistic(new StandardError(), '{σ}/{√{n}}', static function (float $standardError, Observations $observations): float {
                $n = Exact::toFloat($observations->size()) ?? 0.0;

                return $standardError * sqrt(($n - 1.0) / $n);
            }), 'from the standard deviation of a population'],
        ];
        foreach (self::NORMAL_QUANTILES as $z) {
            $reach = (float) $z;
            $all[] = [new VariedStatistic(new MeanIntervalLimit(false), "x̄ − {$z}·SE", static fn(float $limit, Observations $observations): float => (Exact::toFloat($observations->mean()) ?? NAN) - $reach * $error($observations)), "with {$z} in place of t"];
            $all[] = [new VariedStatistic(new MeanIntervalLimit(true), "x̄ + {$z}·SE", static fn(float $limit, Observations $observations): float => (Exact::toFloat($observations->mean()) ?? NAN) + $reach * $error($observations)), "with {$z} in place of t"];
        }
        foreach ($isPercent ? [] : Catalogue::all() as $statistic) {
            if ($statistic->shownAs() === ShownAs::Share) {
                $all[] = [new VariedStatistic($statistic, "100·{$statistic->label()}", static fn(float $share): float => 100.0 * $share), 'in percent'];
            }
        }

        return $all;
    }
}
