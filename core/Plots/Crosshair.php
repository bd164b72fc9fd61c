<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\Standing;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Observations;

/**
 * What the crosshair says at each place of an axis, a pixel or two apart, so that the page need not ask while it moves.
 *
 * Definition  percentile rank and z-score as `Standing`, at `PLACES` + 1 equal steps.
 * Accuracy    exact at the places; of very many values the percentile between two edges of classes lies on the straight line.
 * Cost        one search a place.
 */
final readonly class Crosshair
{
    private const PLACES = 300;

    /**
     * @param list<string>      $values      in decimals that tell one place from the next
     * @param list<string>      $percentiles with one decimal
     * @param list<string|null> $z           with two decimals; null without a spread
     */
    private function __construct(
        public array $values,
        public array $percentiles,
        public array $z,
    ) {}

    public static function over(Axis $axis, Histogram $histogram, Observations $observations, Basis $basis): self
    {
        $n = $observations->n();
        $values = $percentiles = $z = [];
        $decimals = (int) max(0, ceil(-log10(($axis->to - $axis->from) / self::PLACES)));
        $mean = Exact::toFloat($observations->mean()) ?? 0.0;
        $reference = Standing::z($observations->mean()->plus(1), $observations, $basis)->number();
        for ($i = 0; $i <= self::PLACES; ++$i) {
            $at = $axis->from + ($axis->to - $axis->from) * $i / self::PLACES;
            $values[] = DecimalText::of($at, $decimals);
            $below = $observations->values instanceof BucketedValues
                ? self::between($histogram, $at)
                : $observations->values->countBelow(BigRational::of(Exact::shortestText($at)));
            $percentiles[] = DecimalText::of(100.0 * $below / $n, 1);
            $z[] = $reference === null ? null : DecimalText::of(($at - $mean) * $reference, 2);
        }

        return new self($values, $percentiles, $z);
    }

    private static function between(Histogram $histogram, float $at): float
    {
        $below = (float) $histogram->below;
        foreach ($histogram->classes->edges() as $i => $edge) {
            $next = $i < $histogram->classes->number ? (float) (string) $histogram->classes->edge($i + 1) : $edge;
            if ($at < $next) {
                return $below + ($at <= $edge ? 0.0 : $histogram->counts[$i] * ($at - $edge) / ($next - $edge));
            }
            $below += $histogram->counts[$i] ?? 0;
        }

        return $below;
    }
}
