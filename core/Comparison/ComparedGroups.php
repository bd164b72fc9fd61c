<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Distributions\GammaRatio;
use RowTally\Core\Figures\Variance;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/**
 * Two groups against each other: everything is second − first, or second ÷ first.
 *
 * Definition  differences and ratios of mean, median, range, SD of the basis, Q₁, Q₃ and IQR of the rule of the basis; percent:
 *             100·(second − first)/|first|. Interval: (m₂ − m₁) ∓ t·√(v₁ + v₂) with v = s²/n, s the sample SD whatever the rows
 *             are taken as, t with (v₁ + v₂)²/(v₁²/(n₁−1) + v₂²/(n₂−1)) degrees. Hedges' g: J·(m₂ − m₁)/s_pooled with
 *             J = Γ(df/2)/(√(df/2)·Γ((df−1)/2)), df = n₁ + n₂ − 2. Superiority: see there. Tenths: percentiles by the rule of the basis.
 * Unit        the unit of the variable; ratios, percent, g and superiority none.
 * Undefined   with too few values, where the first of a ratio is 0, and g where neither varies.
 * When        to say how far two groups lie apart, in the unit and in words.
 * Misleads    A difference is no cause. Groups that were not made by chance differ in more than what is looked at.
 * Source      Welch, Biometrika 34 (1947) 28–35; Hedges, Journal of Educational Statistics 6 (1981) 107–128.
 * Accuracy    exact but for roots and t: the nearest double; the interval and g 1e-12.
 * Cost        the sums and quartiles of both, some look-ups by rank; superiority a walk through the distinct values of both.
 */
final class ComparedGroups
{
    /** @var array<string, Figure> */
    private array $known = [];
    private ?Interval $interval = null;

    public function __construct(
        public readonly Observations $first,
        public readonly Observations $second,
        private readonly Basis $basis,
    ) {
        // Of both the quartiles and the tenths are going to be asked for.
        foreach ([$first, $second] as $side) {
            $side->values->prefetchQuantiles(20);
        }
    }

    public function basis(): Basis
    {
        return $this->basis;
    }

    /** @return list<Figure> how many values each has, as the counts have it */
    public function sizes(): array
    {
        return array_map(static fn(Observations $side): Figure => Figure::rows($side->n(), $side->countDecimals), [$this->first, $this->second]);
    }

    /** @return list<Figure> a measure of the first and of the second */
    public function pair(Measure $measure): array
    {
        return [$measure->figure($this->first, $this->basis), $measure->figure($this->second, $this->basis)];
    }

    public function difference(Measure $measure): Figure
    {
        [$first, $second, $reason] = $this->exact($measure);

        if ($first === null || $second === null) {
            return Figure::undefined($reason);
        }
        [$one, $other] = $this->pair($measure);
        $difference = Exact::simplest($second->minus($first));

        // What two values of the data differ by has their decimals.
        return $one->isOfTheData && $other->isOfTheData ? Figure::ofTheData($difference) : Figure::exact($difference);
    }

    public function ratio(Measure $measure): Figure
    {
        [$first, $second, $reason] = $this->exact($measure);

        return match (true) {
            $first === null || $second === null => Figure::undefined($reason),
            $first->getSign() === 0 => Figure::undefined(Reason::FirstIsZero),
            default => Figure::exact($second->dividedBy($first)),
        };
    }

    /** By how many percent of the first the second is more. */
    public function percent(Measure $measure): Figure
    {
        [$first, $second, $reason] = $this->exact($measure);

        return match (true) {
            $first === null || $second === null => Figure::undefined($reason),
            $first->getSign() === 0 => Figure::undefined(Reason::FirstIsZero),
            default => Figure::exact($second->minus($first)->multipliedBy(100)->dividedBy($first->abs())),
        };
    }

    /** Of the difference of the means. */
    public function interval(): Interval
    {
        return $this->interval ??= $this->welch();
    }

    public function hedgesG(): Figure
    {
        return $this->known['hedges_g'] ??= $this->pooled();
    }

    public function superiority(): Figure
    {
        return $this->known['superiority'] ??= $this->isEmpty()
            ? Figure::undefined(Reason::NeedsOneValue)
            : Figure::exact(Superiority::of($this->first, $this->second));
    }

    /** Difference of the percentiles at so many tenths, 1 to 9. */
    public function atTenth(int $tenth): Figure
    {
        if ($this->isEmpty()) {
            return Figure::undefined(Reason::NeedsOneValue);
        }
        $rule = $this->basis->quartileRule;

        return Figure::exact(Exact::simplest($this->second->quantile($rule, $tenth, 10)->minus($this->first->quantile($rule, $tenth, 10))));
    }

    private function isEmpty(): bool
    {
        return $this->first->n() === 0 || $this->second->n() === 0;
    }

    /** @return array{BigRational|null, BigRational|null, Reason} both as ratios, or why there is none */
    private function exact(Measure $measure): array
    {
        $first = $this->first->n() === 0 ? null : $measure->exact($this->first, $this->basis);
        $second = $this->second->n() === 0 ? null : $measure->exact($this->second, $this->basis);
        $lacking = $first === null ? $this->first : $this->second;

        return [$first, $second, $lacking->n() === 0 ? Reason::NeedsOneValue : self::tooFew($lacking)];
    }

    private function welch(): Interval
    {
        [$one, $other, $reason] = $this->sampleVariances();
        if ($one === null || $other === null) {
            return Interval::none($reason);
        }
        $estimate = $this->second->mean()->minus($this->first->mean());
        $errors = [$one->dividedBy($this->first->size()), $other->dividedBy($this->second->size())];
        $variance = $errors[0]->plus($errors[1]);
        if ($variance->getSign() === 0) {
            return Interval::point($estimate);
        }
        $degrees = $variance->multipliedBy($variance)->dividedBy(
            $errors[0]->multipliedBy($errors[0])->dividedBy($this->first->divisor(SampleOrPopulation::Sample))
                ->plus($errors[1]->multipliedBy($errors[1])->dividedBy($this->second->divisor(SampleOrPopulation::Sample))),
        );

        return Interval::about($estimate, $variance, $degrees, $this->basis);
    }

    private function pooled(): Figure
    {
        $square = $this->pooledVariance();
        if ($square instanceof Reason) {
            return Figure::undefined($square);
        }
        if ($square->getSign() === 0) {
            return Figure::undefined(Reason::NeitherVaries);
        }
        $degrees = Exact::toFloat($this->degrees());
        $difference = $this->second->mean()->minus($this->first->mean());
        $standardised = Exact::squareRoot($difference->multipliedBy($difference)->dividedBy($square));
        if ($degrees === null || $standardised === null) {
            return Figure::undefined(Reason::OutOfRange);
        }

        return Figure::double(self::correction($degrees) * ($difference->getSign() < 0 ? -$standardised : $standardised));
    }

    /** The pooled sample variance, or why there is none. */
    public function pooledVariance(): BigRational|Reason
    {
        [$one, $other, $reason] = $this->sampleVariances();

        return $one === null || $other === null ? $reason : $this->first->squaredDeviations()->plus($this->second->squaredDeviations())->dividedBy($this->degrees());
    }

    /** n₁ + n₂ − 2. */
    private function degrees(): BigRational
    {
        return $this->first->divisor(SampleOrPopulation::Sample)->plus($this->second->divisor(SampleOrPopulation::Sample));
    }

    /** @return array{BigRational|null, BigRational|null, Reason} */
    private function sampleVariances(): array
    {
        if ($this->isEmpty()) {
            return [null, null, Reason::NeedsOneValue];
        }
        $one = $this->first->variance(SampleOrPopulation::Sample);
        $other = $this->second->variance(SampleOrPopulation::Sample);

        return [$one, $other, self::tooFew($one === null ? $this->first : $this->second)];
    }

    private static function tooFew(Observations $side): Reason
    {
        return Variance::tooFew($side)->reason ?? Reason::NeedsTwoValues;
    }

    /** J: what makes g unbiased. */
    private static function correction(float $degrees): float
    {
        return GammaRatio::of(0.5 * ($degrees - 1.0)) / sqrt(0.5 * $degrees);
    }
}
