<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Distributions\StudentT;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Confidence interval of the mean: its lower or its upper limit, at the level of the basis.
 *
 * Definition  x̄ ∓ t·SE, t the quantile (1 + level)/2 of Student's t with n − 1 degrees of freedom.
 * Unit        the unit of the variable.
 * Undefined   as `StandardError`.
 * When        where the rows are a sample and the mean of what they were drawn from is meant.
 * Misleads    It holds the mean in so many of a hundred samples, not so many of the values. It knows nothing of a sample that was chosen badly, and
 *             with few values and a long tail it is too narrow.
 * Source      Student, Biometrika 6 (1908) 1–25.
 * Accuracy    1e-12 relative to the half-width.
 * Cost        one quantile of t.
 */
final readonly class MeanIntervalLimit extends NamedStatistic
{
    public function __construct(private bool $isUpper)
    {
        parent::__construct($isUpper ? 'ci_mean_high' : 'ci_mean_low', $isUpper ? 'Mean, upper limit' : 'Mean, lower limit', '', '', ShownAs::Unit);
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        $error = (new StandardError())->of($observations, $basis);
        $standardError = $error->number();
        if ($standardError === null) {
            return $error;
        }
        $half = self::t($observations, $basis) * $standardError;
        if (!is_finite($half)) {
            return Figure::undefined(Reason::OutOfRange);
        }
        $halfWidth = BigRational::of(Exact::shortestText($half));

        return Figure::exact($this->isUpper ? $observations->mean()->plus($halfWidth) : $observations->mean()->minus($halfWidth));
    }

    public function dependsOn(): array
    {
        return [Convention::Level];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        $sign = $this->isUpper ? '+' : '−';
        $error = new StandardError();
        $standardError = (float) ($error->of($observations, $basis)->number() ?? 0.0);
        $t = self::t($observations, $basis);
        $degrees = Written::number($observations->divisor(SampleOrPopulation::Sample));
        $percent = $basis->levelPercent();

        return new Steps(
            "x̄ {$sign} t·SE, t the quantile (1 + {$percent} %)/2 of Student’s t with n − 1 degrees of freedom",
            [
                ...$error->steps($observations, $basis)->lines,
                't = ' . Written::number($t) . " for {$degrees} degrees of freedom",
                't·SE = ' . Written::number($t * $standardError),
                Written::number($observations->mean()) . " {$sign} " . Written::number($t * $standardError) . ' = ' . Written::number($this->figure($observations, $basis)->number() ?? 0),
            ],
            'Student, Biometrika 6 (1908) 1–25',
        );
    }

    /** Only where there is a sample variance. */
    private static function t(Observations $observations, Basis $basis): float
    {
        return StudentT::quantile(0.5 + 0.5 * (float) $basis->level, Exact::toFloat($observations->divisor(SampleOrPopulation::Sample)) ?? INF);
    }
}
