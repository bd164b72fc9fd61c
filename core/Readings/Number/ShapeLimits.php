<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Readings\NumberSubject;

/**
 * How large skewness or kurtosis must be before it is spoken of.
 *
 * Definition  20 ≤ n < 50: the figure over its standard error beyond 1.96; 50 ≤ n ≤ 300: beyond 3.29; n > 300: the figure itself beyond a limit.
 * Source      Kim, Restorative Dentistry & Endodontics 38 (2013) 52–54.
 */
final class ShapeLimits
{
    public const SOURCE = 'Kim, Restorative Dentistry & Endodontics 38 (2013) 52–54';

    /**
     * The figure of a sample and its ratio, where it speaks; whatever the rows are taken as.
     *
     * @return array{figure: float, ratio: float, isLarge: bool}|null isLarge: it is the figure itself that is beyond its limit
     */
    public static function exceeded(NumberSubject $subject, Statistic $figure, Statistic $ratio, float $limit): ?array
    {
        $basis = $subject->basis()->with(SampleOrPopulation::Sample);
        $value = $figure->of($subject->observations, $basis)->number();
        $times = $ratio->of($subject->observations, $basis)->number();
        if (!$subject->hasAtLeast(20) || $value === null || $times === null) {
            return null;
        }
        $isLarge = $subject->hasMoreThan(300);
        $speaks = $isLarge ? abs($value) > $limit : abs($times) > ($subject->hasAtLeast(50) ? 3.29 : 1.96);

        return $speaks ? ['figure' => (float) $value, 'ratio' => (float) $times, 'isLarge' => $isLarge] : null;
    }
}
