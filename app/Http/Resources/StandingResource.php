<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Variable;
use Illuminate\Http\Request;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\Percentile;
use RowTally\Core\Figures\PercentileRank;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Written;

/** @property array{standing: PercentileRank, observations: Observations, variable: Variable} $resource */
final class StandingResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        ['standing' => $standing, 'observations' => $observations, 'variable' => $variable] = $this->resource;
        $value = DecimalText::plain($standing->value) . ($variable->unit === null ? '' : " {$variable->unit}");
        $rank = $standing->percentileRank->number();
        $z = $standing->z->number();
        $count = static fn(int $unscaled): string => Written::count($unscaled, $observations->countDecimals);

        return [
            'sentence' => $rank === null ? 'There is no value to compare with.'
                : "{$value} is at the " . Percentile::ordinal((string) round($rank)) . ' percentile'
                    . ($z === null ? '.' : ', z = ' . DecimalText::of($z, 2) . '.'),
            'percentile_rank' => self::figure($standing->percentileRank, 1),
            'z' => self::figure($standing->z, 3),
            'counts' => "{$count($standing->below)} below, {$count($standing->equal)} equal, {$count($standing->above)} above",
        ];
    }

    /** @return array{value: int|float|list<float>|null, text: string|null, reason: string|null} */
    private static function figure(Figure $figure, int $decimals): array
    {
        $number = $figure->number();

        return FigureRows::figure($figure, $number === null ? null : DecimalText::of($number, $decimals));
    }
}
