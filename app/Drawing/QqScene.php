<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\NormalQq;

/**
 * The normal Q–Q plot with its line, one for each group.
 *
 * Definition  see `NormalQq`.
 * When        to see in what values differ from a normal distribution: tails, steps, far rows.
 * Misleads    Points at the ends wander by chance; a straight middle says nothing of the tails. With few values nearly any line looks straight.
 * Source      see `NormalQq`.
 */
final class QqScene implements Picture
{
    public static function kind(): string
    {
        return 'qq';
    }

    public static function name(): string
    {
        return 'Normal Q–Q';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        return [];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $names = $of->names();

        return array_map(static fn(Observations $column, int $lane): DrawnScene => DrawnScene::of(
            $names[$lane],
            self::of(NormalQq::of($column, $of->basis()), $of->axisName(), count($names) > 1 ? $names[$lane] : '', $lane, $width),
            'needs at least 2 values, and whole counts',
        ), $of->columns(), array_keys($of->columns()));
    }

    /** @return Scene|null null where there is nothing to draw */
    public static function of(NormalQq $plot, string $axisName, string $of, int $lane, float $width): ?Scene
    {
        if ($plot->points === []) {
            return null;
        }
        $points = array_map(static fn(array $point): array => [$point['z'], $point['value']], $plot->points);
        $last = count($points) - 1;
        $drawn = count($points) < $plot->n ? ' ' . Counted::text(count($points)) . ' of ' . Counted::text($plot->n) . ' points are drawn.' : '';

        $says = $plot->line === null
            ? 'the quartiles are equal, so there is no line to hold the values to.'
            : 'near the line, which runs through the quartiles, the values are like those of a normal distribution.';

        return PointsScene::draw(
            $points,
            PointsScene::axisOf($points[0][0], $points[$last][0]),
            PointsScene::axisOf($points[0][1], $points[$last][1]),
            ['z expected of a normal distribution', $axisName],
            "{$axisName}, normal Q–Q plot" . ($of === '' ? '' : " of {$of}"),
            ($of === '' ? ucfirst($says) : "{$of}: {$says}") . $drawn,
            $lane,
            $width,
            $plot->line,
            [],
        );
    }
}
