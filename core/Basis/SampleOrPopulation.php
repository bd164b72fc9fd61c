<?php

declare(strict_types=1);

namespace RowTally\Core\Basis;

/**
 * Whether the rows are a sample of something larger (divisor n − 1; x̄, s, n) or all there is (divisor N; µ, σ, N).
 *
 * When        a sample where they speak for more than themselves; a population where they are all that is meant, such as every hive of one keeper.
 * Misleads    The two differ where values are few. Intervals and standard errors of a population mean nothing: it has no sampling error.
 * Source      Bessel’s correction; the common definition.
 */
enum SampleOrPopulation: string
{
    case Sample = 'sample';
    case Population = 'population';

    public function words(): string
    {
        return match ($this) {
            self::Sample => 'sample',
            self::Population => 'population',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::Sample => 'The rows stand for more than themselves: variance divides by n − 1.',
            self::Population => 'The rows are all there is: variance divides by N.',
        };
    }

    public function varianceDivisor(int $n): int
    {
        return $this === self::Sample ? $n - 1 : $n;
    }
}
