<?php

declare(strict_types=1);

namespace RowTally\Core\Judging;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Display\Percent;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\ShareWithinDeviations;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/**
 * One, two and three standard deviations either side of the mean: what a normal distribution has there, and what these values have.
 *
 * Definition  mean ± k·SD of the basis, ends included; beside it the percentiles between which a normal distribution has as much: 16 and
 *             84 for one, 2.5 and 97.5 for two.
 * Unit        the unit of the variable.
 * Undefined   where there is no SD.
 * Source      no convention but the divisor and the rule for percentiles.
 * Accuracy    counted exactly.
 * Cost        six binary searches and four look-ups by rank.
 */
final readonly class SpreadLimits
{
    /** In thousandths, by k. */
    private const PERCENTILES = [1 => [160, 840], 2 => [25, 975]];

    private function __construct(
        public int $k,
        public string $low,
        public string $high,
        public string $count,
        public string $percent,
        public string $expectedCount,
        public string $expectedPercent,
        /** The percentiles that go with it; null for three. */
        public ?string $lowPercentile,
        public ?string $highPercentile,
    ) {}

    /** @return list<self> empty where there is no SD */
    public static function of(Observations $observations, Basis $basis, FigureText $display): array
    {
        $lines = [];
        $n = $observations->n();
        foreach ([1, 2, 3] as $k) {
            $within = new ShareWithinDeviations($k);
            $bounds = $within->bounds($observations, $basis);
            if ($bounds === null) {
                return [];
            }
            $percentiles = array_map(static fn(int $thousandths): string => $display->inUnit(Exact::near($observations->quantile($basis->quartileRule, $thousandths, 1000))), self::PERCENTILES[$k] ?? []);
            $lines[] = new self(
                $k,
                $display->inUnit(Exact::near($bounds['low'])),
                $display->inUnit(Exact::near($bounds['high'])),
                DecimalText::of($bounds['count'] / 10 ** $observations->countDecimals, $observations->countDecimals),
                Percent::text($bounds['count'], $n),
                DecimalText::of($within->expectedShare() * Exact::near($observations->size()), 1),
                DecimalText::of(100 * $within->expectedShare(), 1),
                $percentiles[0] ?? null,
                $percentiles[1] ?? null,
            );
        }

        return $lines;
    }
}
