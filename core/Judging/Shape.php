<?php

declare(strict_types=1);

namespace RowTally\Core\Judging;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\NormalityFigure;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Reason;

/**
 * What there is to judge a shape by: mean against median, skewness and kurtosis with their errors and ratios, and what the p of each
 * test of normality means. It never says that values are normal.
 *
 * Definition  that of each figure; p = how often samples of as many values from a normal distribution stray at least as far from one.
 * Unit        none, but for mean and median.
 * Undefined   a figure says its reason; a test without a p says why in the place of its meaning.
 * Source      that of each figure; below 0.01 very unusual, below 0.05 unusual: a convention of ours.
 * Accuracy    that of each figure.
 * Cost        that of the tests.
 */
final readonly class Shape
{
    private const FIGURES = ['mean', 'median', 'mean_to_median', 'skewness', 'se_skewness', 'skewness_ratio', 'kurtosis', 'se_kurtosis', 'kurtosis_ratio'];
    private const TESTS = ['shapiro_wilk', 'lilliefors', 'anderson_darling'];
    private const VERY_UNUSUAL = 0.01;
    private const UNUSUAL = 0.05;
    private const LEAST_SAID = 0.0001;
    private const NEARLY_ALL = 0.995;
    private const STRAY = 'samples from a normal distribution stray';
    private const SILENT = 'nothing here speaks against one, which does not show that it is one';

    /**
     * @param list<array{key: string, label: string, text: string|null, why: string|null}>                     $figures
     * @param list<array{key: string, label: string, statistic: string|null, p: string|null, meaning: string}> $tests
     */
    private function __construct(public array $figures, public array $tests) {}

    public static function of(Observations $observations, Basis $basis, FigureText $display): self
    {
        $figures = [];
        foreach (Catalogue::chosen(self::FIGURES) as $statistic) {
            $figure = $statistic->of($observations, $basis);
            $figures[] = [
                'key' => $statistic->key(),
                'label' => $statistic->label(),
                'text' => $display->of($statistic, $figure),
                'why' => $figure->reason?->value,
            ];
        }

        return new self($figures, array_map(static fn(string $test): array => self::test($test, $observations, $basis, $display), self::TESTS));
    }

    /** How often samples from a normal distribution stray as far, and how unusual that is: never that it is one. */
    public static function meaning(float $p): string
    {
        $often = match (true) {
            $p < self::LEAST_SAID => 'fewer than 1 of 10,000 ',
            $p < self::UNUSUAL => 'about ' . self::outOf($p, $p < 0.001 ? 10_000 : 1000),
            default => 'about ' . self::outOf($p, $p < self::NEARLY_ALL ? 100 : 1000),
        };
        $judged = match (true) {
            $p < self::VERY_UNUSUAL => 'very unusual for one',
            $p < self::UNUSUAL => 'unusual for one',
            default => self::SILENT,
        };

        return $often . self::STRAY . " as far: {$judged}";
    }

    private static function outOf(float $p, int $samples): string
    {
        return DecimalText::of($p * $samples, 0) . ' of ' . NumberMarks::count($samples) . ' ';
    }

    /**
     * @param 'shapiro_wilk'|'lilliefors'|'anderson_darling' $test
     *
     * @return array{key: string, label: string, statistic: string|null, p: string|null, meaning: string}
     */
    private static function test(string $test, Observations $observations, Basis $basis, FigureText $display): array
    {
        [$statistic, $p] = [new NormalityFigure($test, false), new NormalityFigure($test, true)];
        $chance = $p->of($observations, $basis);
        // Beyond what tables say p is known by its side; other reasons leave nothing to say.
        $side = in_array($chance->reason, [Reason::BelowAllTables, Reason::AboveOneTenth], true) ? $chance->reason : null;
        $meaning = match (true) {
            $side === Reason::BelowAllTables => self::meaning(0.0),
            $side !== null => 'more than 10 of 100 ' . self::STRAY . ' as far: ' . self::SILENT,
            default => $chance->number() === null ? (string) $chance->reason?->value : self::meaning((float) $chance->number()),
        };

        return [
            'key' => $test,
            'label' => "{$statistic->label()} {$statistic->symbol($basis->takenAs)}",
            'statistic' => $display->of($statistic, $statistic->of($observations, $basis)),
            'p' => $side->value ?? $display->of($p, $chance),
            'meaning' => $meaning,
        ];
    }
}
