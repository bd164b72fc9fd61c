<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Exception\NotUnderstood;

/** The one list of statistics, in the order of the sheet, by family. */
final class Catalogue
{
    private const PERCENTILE = 'percentile_';

    /** @return list<Statistic> what the sheet of a number variable shows at first */
    public static function essentials(): array
    {
        return self::chosen(FigureSet::Essentials->keys());
    }

    /** @return list<Statistic> all that there are, but for percentiles, of which there is no end */
    public static function all(): array
    {
        return array_merge(...array_values(self::families()));
    }

    /** @return array<string, list<Statistic>> by name of the family */
    public static function families(): array
    {
        return [
            'Count' => [new Count(), new Missing()],
            'Centre' => [new Mean(), new MeanIntervalLimit(false), new MeanIntervalLimit(true), new StandardError(), new TrimmedMean(), new GeometricMean(), new HarmonicMean(), new Mode(), new ModeFrequency()],
            'Spread' => [new StandardDeviation(), new Variance(), new CoefficientOfVariation(), new MeanAbsoluteDeviation(), new MedianAbsoluteDeviation()],
            'Order' => [new Minimum(), new LowerQuartile(), new Median(), new UpperQuartile(), new Maximum(), new Range(), new InterquartileRange()],
            'Fences' => [new LowerFence(), new UpperFence(), new OutlierCount()],
            'Shape' => [new MeanToMedian(), new Skewness(), new SkewnessError(), new SkewnessRatio(), new Kurtosis(), new KurtosisError(), new KurtosisRatio(), new ShareWithinDeviations(1), new ShareWithinDeviations(2), new ShareWithinDeviations(3), new DeviationLimit(1, false), new DeviationLimit(1, true), new DeviationLimit(2, false), new DeviationLimit(2, true), new DeviationLimit(3, false), new DeviationLimit(3, true)],
            'Normality' => [
                new NormalityFigure('shapiro_wilk', false),
                new NormalityFigure('shapiro_wilk', true),
                new NormalityFigure('lilliefors', false),
                new NormalityFigure('lilliefors', true),
                new NormalityFigure('anderson_darling', false),
                new NormalityFigure('anderson_darling', true),
            ],
            'Sums' => [new Sum(), new SumOfSquares()],
        ];
    }

    /**
     * In the order of the catalogue, whatever the order of the keys; percentiles behind, ascending.
     *
     * @param list<string> $keys
     *
     * @return list<Statistic>
     *
     * @throws NotUnderstood for a key that is none
     */
    public static function chosen(array $keys): array
    {
        $asked = array_fill_keys($keys, true);
        $chosen = [];
        foreach (self::all() as $statistic) {
            if (isset($asked[$statistic->key()])) {
                $chosen[] = $statistic;
                unset($asked[$statistic->key()]);
            }
        }
        $percents = [];
        // A key that is a whole number has become one.
        foreach (array_map(strval(...), array_keys($asked)) as $key) {
            if (!str_starts_with($key, self::PERCENTILE)) {
                throw NotUnderstood::unknownFigure($key);
            }
            $percents[] = substr($key, strlen(self::PERCENTILE));
        }
        usort($percents, static fn(string $a, string $b): int => (float) $a <=> (float) $b);

        return [...$chosen, ...array_map(static fn(string $percent): Percentile => new Percentile($percent), $percents)];
    }

    public static function percentileKey(string $percent): string
    {
        return self::PERCENTILE . $percent;
    }
}
