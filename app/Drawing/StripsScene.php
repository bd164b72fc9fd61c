<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Plots\OrderedStrip;

/**
 * The ordered strip with its quarter cuts, one for each group, all on the axis of the overall one.
 *
 * Definition  see `OrderedStrip`.
 * When        to see the values in order with the quarters cut through them.
 * Misleads    Its slope is the inverse of how crowded values are: flat means many alike.
 * Source      see `OrderedStrip`.
 */
final class StripsScene implements Picture
{
    public static function kind(): string
    {
        return 'strips';
    }

    public static function name(): string
    {
        return 'Ordered strip';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        return [];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $names = $of->names();
        $strips = array_map(static fn(Observations $column): OrderedStrip => OrderedStrip::of($column, $of->basis()), $of->columns());
        $axis = self::axis($strips[0]);

        return array_map(static fn(OrderedStrip $strip, int $lane): DrawnScene => DrawnScene::of(
            $names[$lane],
            self::of($strip, $axis, $of->axisName(), count($names) > 1 ? $names[$lane] : '', $lane, $width),
            'has no values',
        ), $strips, array_keys($strips));
    }

    public static function of(OrderedStrip $strip, ?Axis $axis, string $axisName, string $of, int $lane, float $width): ?Scene
    {
        return $axis === null || $strip->points === [] ? null : PointsScene::draw(
            array_map(static fn(array $point): array => [$point['value'], $point['share']], $strip->points),
            $axis,
            null,
            [$axisName, 'share of the rows, in order'],
            "{$axisName}, ordered strip" . ($of === '' ? '' : " of {$of}"),
            ($of === '' ? 'The' : "{$of}: the") . ' values in order, with the quarter cuts of the basis.',
            $lane,
            $width,
            null,
            $strip->cuts,
        );
    }

    public static function axis(OrderedStrip $overall): ?Axis
    {
        $points = $overall->points;

        return $points === [] ? null : PointsScene::axisOf($points[0]['value'], $points[count($points) - 1]['value']);
    }
}
