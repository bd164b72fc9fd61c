<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Modes;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/** Figures that can be drawn as lines through the whole stack. */
enum Marker: string
{
    case Quartiles = 'quartiles';
    case Median = 'median';
    case Mean = 'mean';
    case Mode = 'mode';
    case OneSd = 'sd1';
    case TwoSd = 'sd2';
    case ThreeSd = 'sd3';

    /** So many modes are drawn at most. */
    private const MODES = 5;

    public function words(): string
    {
        return match ($this) {
            self::Quartiles => 'quartiles',
            self::Median => 'median',
            self::Mean => 'mean',
            self::Mode => 'mode',
            self::OneSd => 'mean ± 1 SD',
            self::TwoSd => 'mean ± 2 SD',
            self::ThreeSd => 'mean ± 3 SD',
        };
    }

    /** @return list<array{key: string, name: string, at: float}> none where the figure is undefined */
    public function lines(Observations $observations, Basis $basis): array
    {
        $quartiles = $observations->quartiles($basis->quartileRule);
        $mean = $basis->takenAs === SampleOrPopulation::Sample ? 'x̄' : 'µ';
        $spread = $basis->takenAs === SampleOrPopulation::Sample ? 's' : 'σ';
        $found = match ($this) {
            self::Quartiles => ['Q₁' => $quartiles->q1, 'Q₃' => $quartiles->q3],
            self::Median => ['median' => $observations->median()],
            self::Mean => ['mean' => $observations->mean()],
            self::Mode => self::modes($observations),
            self::OneSd => self::around($observations, $basis, 1, "{$mean} − {$spread}", "{$mean} + {$spread}"),
            self::TwoSd => self::around($observations, $basis, 2, "{$mean} − 2{$spread}", "{$mean} + 2{$spread}"),
            self::ThreeSd => self::around($observations, $basis, 3, "{$mean} − 3{$spread}", "{$mean} + 3{$spread}"),
        };
        $lines = [];
        foreach ($found as $name => $at) {
            $lines[] = ['key' => $this->value, 'name' => rtrim($name, '#0123456789'), 'at' => Exact::toFloat($at) ?? 0.0];
        }

        return $lines;
    }

    /** @return array<string, BigRational> */
    private static function modes(Observations $observations): array
    {
        $modes = [];
        foreach (array_slice(Modes::of($observations->values)->values, 0, self::MODES) as $i => $mode) {
            $modes["mode#{$i}"] = $mode->toBigRational();
        }

        return $modes;
    }

    /** @return array<string, BigRational> */
    private static function around(Observations $observations, Basis $basis, int $k, string $low, string $high): array
    {
        $variance = $observations->variance($basis->takenAs);
        // Without a spread they would all lie on the mean.
        if ($variance === null || $variance->getSign() === 0) {
            return [];
        }
        $reach = Exact::squareRootRatio($variance)->multipliedBy($k);

        return [$low => $observations->mean()->minus($reach), $high => $observations->mean()->plus($reach)];
    }
}
