<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Distributions\StudentT;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Observations;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/** The two limits of the confidence interval of the mean share everything but a sign. */
final class MeanInterval
{
    public static function limit(Observations $observations, Basis $basis, bool $isUpper): Figure
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

        return Figure::exact($isUpper ? $observations->mean()->plus($halfWidth) : $observations->mean()->minus($halfWidth));
    }

    public static function steps(Observations $observations, Basis $basis, bool $isUpper): Steps
    {
        $sign = $isUpper ? '+' : '−';
        $error = new StandardError();
        $standardError = (float) ($error->of($observations, $basis)->number() ?? 0.0);
        $t = self::t($observations, $basis);
        $degrees = Written::number($observations->divisor(TakenAs::Sample));
        $percent = $basis->levelPercent();

        return new Steps(
            "x̄ {$sign} t·SE, t the quantile (1 + {$percent} %)/2 of Student’s t with n − 1 degrees of freedom",
            [
                ...$error->steps($observations, $basis)->lines,
                't = ' . Written::number($t) . " for {$degrees} degrees of freedom",
                't·SE = ' . Written::number($t * $standardError),
                Written::number($observations->mean()) . " {$sign} " . Written::number($t * $standardError) . ' = ' . Written::number(self::limit($observations, $basis, $isUpper)->number() ?? 0),
            ],
            'Student, Biometrika 6 (1908) 1–25',
        );
    }

    /** Only where there is a sample variance. */
    private static function t(Observations $observations, Basis $basis): float
    {
        return StudentT::quantile(0.5 + 0.5 * (float) $basis->level, Exact::toFloat($observations->divisor(TakenAs::Sample)) ?? INF);
    }
}
