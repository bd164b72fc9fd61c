<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Kurtosis;
use RowTally\Core\Figures\MeanIntervalLimit;
use RowTally\Core\Figures\MedianAbsoluteDeviation;
use RowTally\Core\Figures\NormalityFigure;
use RowTally\Core\Figures\Percentile;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Figures\StandardError;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\AutomaticClasses;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\ValueCounts;

/**
 * Which figure, under which conventions, rounds to a number that somebody was given.
 *
 * Searched  every figure with one convention changed that it depends on, and as others reckon it (`variations`); percentiles, and percents taken as fractions; the figures that
 *           people hand on, after the slips that people make: counts used or forgotten, missing values kept as 0, midpoints of
 *           classes instead of values, one row left out, the sign turned, inputs rounded first.
 * Order     plainest first: as on screen, then one convention changed, then a slip; equal ones in the order of the catalogue.
 * Cost      some 400 figures from values in order; O(distinct) for each slip. Under a second for 100,000 rows.
 */
final readonly class FindFigure
{
    public const MOST = 12;
    private const NEAREST = 5;
    private const PERCENTS = ['1', '2.5', '5', '10', '15', '16', '20', '25', '30', '40', '50', '60', '70', '75', '80', '84', '85', '90', '95', '97.5', '99'];
    private const HANDED_ON = ['n', 'sum', 'mean', 'median', 'sd', 'variance', 'se_mean', 'cv', 'q1', 'q3', 'iqr', 'min', 'max', 'range'];
    private const LEVELS = ['0.9', '0.95', '0.98', '0.99'];
    private const FENCES = ['1.5', '2', '2.2', '3'];
    /** Quantiles of the normal distribution as they are looked up. */
    private const NORMAL_QUANTILES = ['1.645', '1.96', '2', '2.326', '2.576', '3'];
    /** What makes the MAD an estimate of σ where values are normal. */
    private const MAD_FACTOR = '1.4826';
    private const TURNED = ['mean', 'median', 'sum', 'q1', 'q3', 'min', 'max', 'skewness'];
    /** Figures between 0 and 1 that take long are not looked at for a number like this. */
    private const FAR_BEYOND_ONE = 2.0;
    /** A slip costs more than any convention. */
    private const SLIP = 100;

    private function __construct(
        private Stated $stated,
        private Observations $observations,
        private Basis $basis,
    ) {}

    /**
     * @param array<string, Observations> $otherCounts the same values under other counts than those in force, by what was done:
     *                                                 "counts forgotten", "counts from Jars"
     *
     * @return array{matches: list<Explanation>, nearest: list<Explanation>} the nearest only where nothing matches
     */
    public static function of(Stated $stated, Observations $observations, Basis $basis, array $otherCounts = []): array
    {
        $search = new self($stated, $observations, $basis);
        $candidates = [];
        if ($observations->n() > 0) {
            $candidates = [...$search->underConventions(), ...$search->percentiles(), ...$search->afterSlips($otherCounts)];
        }
        $matches = array_values(array_filter($candidates, static fn(Explanation $candidate): bool => $stated->isRounded($candidate->value)));
        usort($matches, static fn(Explanation $a, Explanation $b): int => $a->cost <=> $b->cost);
        $matches = self::onceEach($matches);
        if ($matches !== []) {
            return ['matches' => array_slice($matches, 0, self::MOST), 'nearest' => []];
        }
        usort($candidates, static fn(Explanation $a, Explanation $b): int => [$stated->distance($a->value), $a->cost] <=> [$stated->distance($b->value), $b->cost]);

        return ['matches' => [], 'nearest' => array_slice(self::onceEach($candidates, false), 0, self::NEAREST)];
    }

    /**
     * The same of a text that may be read in two ways: all of them are tried.
     *
     * @param array<string, Observations> $otherCounts
     *
     * @return array{read: string|null, matches: list<Explanation>, nearest: list<Explanation>} read: how, where that is not plain
     *
     * @throws NotUnderstood when it is no number
     */
    public static function ofText(string $text, Observations $observations, Basis $basis, array $otherCounts = []): array
    {
        $readings = Stated::readings($text);
        $found = array_map(static fn(Stated $stated): array => self::of($stated, $observations, $basis, $otherCounts), $readings);
        $matches = array_merge(...array_column($found, 'matches'));
        usort($matches, static fn(Explanation $a, Explanation $b): int => $a->cost <=> $b->cost);

        return [
            'read' => Stated::inWords($text, $readings),
            'matches' => array_slice($matches, 0, self::MOST),
            'nearest' => $matches === [] ? array_slice(array_merge(...array_column($found, 'nearest')), 0, self::NEAREST) : [],
        ];
    }

    /** @return list<Explanation> */
    private function underConventions(): array
    {
        $found = [];
        foreach (Catalogue::all() as $place => $statistic) {
            if ($statistic instanceof NormalityFigure && $statistic->liesWithinOne() && abs($this->stated->number()) > self::FAR_BEYOND_ONE) {
                continue;
            }
            $found[] = $this->explain($statistic, $this->basis, [], $place);
            foreach ($this->otherBases($statistic) as [$basis, $words]) {
                $found[] = $this->explain($statistic, $basis, [$words], self::SLIP / 4 + $place);
            }
        }
        foreach ($this->variations() as $place => [$statistic, $words]) {
            $found[] = $this->explain($statistic, $this->basis, [$words], self::SLIP / 4 + 15 + $place);
            foreach (in_array(Convention::Divisor, $statistic->dependsOn(), true) ? SampleOrPopulation::cases() : [] as $case) {
                $found[] = $case === $this->basis->takenAs ? null : $this->explain($statistic, $this->basis->with(takenAs: $case), [$words, "taken as a {$case->words()}"], self::SLIP / 4 + 45 + $place);
            }
        }

        return self::defined($found);
    }

    /** @return list<array{Basis, string}> with one convention changed that the figure depends on, and the change in words */
    private function otherBases(Statistic $statistic): array
    {
        $bases = [];
        foreach ($statistic->dependsOn() as $convention) {
            $bases = [...$bases, ...match ($convention) {
                Convention::Divisor => array_map(fn(SampleOrPopulation $case): array => [$this->basis->with(takenAs: $case), "taken as a {$case->words()}"], SampleOrPopulation::cases()),
                Convention::QuartileRule => array_map(fn(QuartileRule $rule): array => [$this->basis->with(quartileRule: $rule), "quartiles by {$rule->words()}"], QuartileRule::cases()),
                Convention::Fences => array_map(fn(string $fence): array => [$this->basis->with(innerFence: $fence), "fences at {$fence} IQR"], self::FENCES),
                Convention::Level => array_map(fn(string $level): array => [$this->basis->with(level: $level), 'at ' . Basis::percentOf($level) . ' %'], self::LEVELS),
            }];
        }

        return array_values(array_filter($bases, fn(array $other): bool => $other[0] !== $this->basis));
    }

    /** @return list<array{VariedStatistic, string}> figures as others reckon them, and how, in words */
    private function variations(): array
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
        foreach ($this->stated->isPercent ? [] : Catalogue::all() as $statistic) {
            if ($statistic->shownAs() === ShownAs::Share) {
                $all[] = [new VariedStatistic($statistic, "100·{$statistic->label()}", static fn(float $share): float => 100.0 * $share), 'in percent'];
            }
        }

        return $all;
    }

    /** @return list<Explanation> */
    private function percentiles(): array
    {
        $found = [];
        foreach (self::PERCENTS as $percent) {
            foreach (QuartileRule::cases() as $rule) {
                $isOwn = $rule === $this->basis->quartileRule;
                $differences = $isOwn ? [] : ["by {$rule->words()}"];
                $found[] = $this->explain(new Percentile($percent), $this->basis->with(quartileRule: $rule), $differences, $isOwn ? 70 : 90);
                $fraction = Exact::plainDecimal(BigDecimal::of($percent)->multipliedBy('0.01'));
                $found[] = $this->explain(
                    new Percentile($fraction),
                    $this->basis->with(quartileRule: $rule),
                    ["{$fraction} taken for a percent where the {$percent}th was meant", ...$differences],
                    self::SLIP + ($isOwn ? 0 : 20),
                );
            }
        }

        return self::defined($found);
    }

    /**
     * @param array<string, Observations> $otherCounts
     *
     * @return list<Explanation>
     */
    private function afterSlips(array $otherCounts): array
    {
        $found = [];
        foreach ($otherCounts as $words => $observations) {
            // The slip that is made most.
            $found = [...$found, ...$this->handedOn($observations, $words, intdiv(self::SLIP, 2))];
        }
        $values = $this->observations->values->counted();
        $decimals = $values->decimals();
        foreach (Catalogue::chosen(self::TURNED) as $place => $statistic) {
            $own = $this->explain($statistic, $this->basis, ['the sign turned'], self::SLIP + $place);
            if ($own !== null && $own->value !== 0.0) {
                $found[] = new Explanation($statistic, $own->differences, -$own->value, $own->cost, $own->observations, $own->basis, true);
            }
        }
        if ($decimals !== null && $this->observations->missing > 0) {
            $asZero = new Observations($values->changed([], [0 => $this->observations->missing]), 0, $this->observations->countDecimals);
            $found = [...$found, ...$this->handedOn($asZero, 'missing values kept as 0', self::SLIP)];
        }
        if ($decimals !== null) {
            for ($fewer = $decimals - 1; $fewer >= 0; --$fewer) {
                $found = [...$found, ...$this->handedOn($this->rounded($fewer), $fewer === 0 ? 'values rounded to whole numbers first' : "values rounded to {$fewer} " . ($fewer === 1 ? 'decimal' : 'decimals') . ' first', self::SLIP + 10)];
            }
        }
        $midpoints = $this->midpoints();
        if ($midpoints !== null) {
            $found = [...$found, ...$this->handedOn($midpoints, 'midpoints of the classes instead of the values', self::SLIP + 20)];
        }

        return self::defined([...$found, ...$this->oneLeftOut()]);
    }

    /** @return list<Explanation|null> the figures people hand on, after a slip, where they come out otherwise than without it */
    private function handedOn(Observations $observations, string $slip, int $cost): array
    {
        $found = [];
        if ($observations->n() === 0) {
            return [];
        }
        foreach (Catalogue::chosen(self::HANDED_ON) as $place => $statistic) {
            foreach (SampleOrPopulation::cases() as $case) {
                $isOwn = $case === $this->basis->takenAs;
                if (!$isOwn && !in_array(Convention::Divisor, $statistic->dependsOn(), true)) {
                    continue;
                }
                $basis = $this->basis->with(takenAs: $case);
                if ($statistic->of($this->observations, $basis)->value === $statistic->of($observations, $basis)->value) {
                    continue;
                }
                $found[] = $this->explain($statistic, $basis, [$slip, ...($isOwn ? [] : ["taken as a {$case->words()}"])], $cost + $place + ($isOwn ? 0 : 30), $observations);
            }
        }

        return $found;
    }

    private function rounded(int $decimals): Observations
    {
        $values = $this->observations->values;
        $factor = 10 ** (($values->decimals() ?? 0) - $decimals);
        $places = $sums = [];
        $last = -1;
        // Rounded, values in order are in order still.
        foreach ($values->slices() as [$integers, $counts]) {
            foreach ($integers as $i => $value) {
                $size = intdiv(abs((int) $value) + intdiv($factor, 2), $factor);
                $place = $value < 0 ? -$size : $size;
                if ($last >= 0 && $places[$last] === $place) {
                    $sums[$last] += $counts[$i];
                } else {
                    $places[++$last] = $place;
                    $sums[$last] = $counts[$i];
                }
            }
        }

        return new Observations(ValueCounts::ofIntegers(array_values($places), array_values($sums), $decimals), $this->observations->missing, $this->observations->countDecimals);
    }

    private function midpoints(): ?Observations
    {
        $classes = AutomaticClasses::for($this->observations, $this->basis->classEdge);
        if ($classes->holdOneValueEach) {
            return null;
        }
        $middles = Histogram::of($this->observations->values, $classes, $this->basis->classEdge)->midpoints();

        return $middles === null ? null : new Observations($middles, $this->observations->missing, $this->observations->countDecimals);
    }

    /**
     * Which single row would have to go. For the sum, the mean and the variance the value that it must have is solved for and looked
     * up; for figures of order only the ends are tried.
     *
     * @return list<Explanation|null>
     */
    private function oneLeftOut(): array
    {
        $values = $this->observations->values->counted();
        $n = $this->observations->n();
        if ($n < 2 || $values->decimals() === null || !$this->observations->hasWholeCounts()) {
            return [];
        }
        $found = [];
        foreach ($this->suspects() as $place => $value) {
            $unscaled = $value->withPointMovedRight($values->decimals())->toInt();
            $rest = new Observations($values->changed([$unscaled => 1], []), $this->observations->missing, 0);
            $found = [...$found, ...$this->handedOn($rest, 'one row left out, with ' . str_replace('-', '−', Exact::plainDecimal($value)), self::SLIP + 40 + $place)];
        }

        return $found;
    }

    /** @return list<BigDecimal> values whose absence may explain the stated figure */
    private function suspects(): array
    {
        $values = $this->observations->values;
        $n = $this->observations->n();
        $sum = Exact::toFloat($this->observations->sum()) ?? 0.0;
        $mean = $sum / $n;
        $stated = $this->stated->number();
        $suspects = [$values->at(1), $values->at($n)];
        // Σ − x = stated, or (Σ − x)/(n − 1) = stated.
        $wanted = [$sum - $stated, $sum - $stated * ($n - 1)];
        $squares = Exact::toFloat($this->observations->squaredDeviations()) ?? 0.0;
        foreach ([$stated, $stated * $stated] as $variance) {
            foreach ([$n - 2, $n - 1] as $divisor) {
                // Taking x away lowers Σ(x − x̄)² by (x − x̄)²·n/(n − 1).
                $distance = ($squares - $variance * $divisor) * ($n - 1) / $n;
                if ($distance >= 0.0) {
                    $wanted = [...$wanted, $mean - sqrt($distance), $mean + sqrt($distance)];
                }
            }
        }
        foreach ($wanted as $value) {
            if (!is_finite($value)) {
                continue;
            }
            $rank = $values->countBelow(BigRational::of(Exact::shortestText($value)));
            foreach ([$rank, $rank + 1] as $near) {
                if ($near >= 1 && $near <= $n) {
                    $suspects[] = $values->at($near);
                }
            }
        }
        $unlike = [];
        foreach ($suspects as $suspect) {
            $unlike[(string) $suspect] = $suspect;
        }

        return array_values($unlike);
    }

    /** @param list<string> $differences */
    private function explain(Statistic $statistic, Basis $basis, array $differences, int|float $cost, ?Observations $observations = null): ?Explanation
    {
        $observations ??= $this->observations;
        $value = $statistic->of($observations, $basis)->number();
        if ($value === null || ($this->stated->isPercent && $statistic->shownAs() !== ShownAs::Share && $statistic->shownAs() !== ShownAs::Probability)) {
            return null;
        }

        return new Explanation($statistic, $differences, (float) $value, (int) $cost, $observations, $basis);
    }

    /**
     * @param list<Explanation|null> $found
     *
     * @return list<Explanation>
     */
    private static function defined(array $found): array
    {
        return array_values(array_filter($found, static fn(?Explanation $explanation): bool => $explanation !== null));
    }

    /**
     * A figure that several rules agree on, or several values to leave out, need not be told more than once.
     *
     * @param list<Explanation> $explanations plainest first
     * @param bool              $perValue     whether the same figure with another value is another explanation
     *
     * @return list<Explanation>
     */
    private static function onceEach(array $explanations, bool $perValue = true): array
    {
        $seen = [];

        return array_values(array_filter($explanations, static function (Explanation $explanation) use (&$seen, $perValue): bool {
            $key = $explanation->statistic->key() . ($perValue ? ' ' . Exact::shortestText($explanation->value) : '');
            $isNew = !isset($seen[$key]);
            $seen[$key] = true;

            return $isNew;
        }));
    }
}
