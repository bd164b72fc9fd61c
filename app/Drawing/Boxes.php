<?php

declare(strict_types=1);

namespace App\Drawing;

/** Boxes of box plots: whiskers, a heavy median, a triangle for the mean, rings and diamonds for outliers. */
final class Boxes
{
    private const NAMES = 108;
    private const RIGHT = 30;
    private const LANE = 68;
    private const STANDING_LANE = 128;
    private const LENGTH = 340;
    private const THICK = 26;
    private const THIN = 5;
    private const AXIS = 44;
    private const CHARACTER = 7.4;
    private const NAME_LYING = 16;
    private const NAME_STANDING = 20;

    /**
     * Beside one another on one axis, lying or standing.
     *
     * @param list<Geometry> $lanes of a stack; those without values have no box
     * @param list<string>   $names
     * @param list<int>      $order from the top
     */
    public static function picture(array $lanes, Geometry $axis, array $names, string $axisName, array $order, BoxLook $look, float $width): string
    {
        $shown = array_values(array_filter($order, static fn(int $lane): bool => isset($lanes[$lane]) && $lanes[$lane]->partOrNull('box') !== null));
        $most = max([1.0, ...array_map(static fn(int $lane): float => $lanes[$lane]->part('box')->number('n'), $shown)]);
        $total = count($shown) * ($look->isUpright ? self::STANDING_LANE : self::LANE);
        $along = $look->isUpright
            ? Scale::ofAxis($axis, self::LENGTH + 10, 10)
            : Scale::ofAxis($axis, self::NAMES, $width - self::RIGHT);
        $svg = $look->isUpright
            ? new Svg(max($width, self::NAMES + $total + self::RIGHT), self::LENGTH + 54, "{$axisName}: box plots")
            : new Svg($width, $total + self::AXIS + 8, "{$axisName}: box plots");
        if ($look->isUpright) {
            Axes::standing($svg, $axis, $axisName, $along, self::NAMES - 20, self::NAMES + $total);
        }
        foreach ($shown as $i => $lane) {
            $box = $lanes[$lane]->part('box');
            $middle = $look->isUpright ? self::NAMES + ($i + 0.5) * self::STANDING_LANE : 12 + $i * self::LANE + self::LANE / 2 - 8;
            $half = ($look->isWideByN ? max(self::THIN, self::THICK * sqrt($box->number('n') / $most)) : self::THICK) / 2;
            $svg->open(['data-lane' => $names[$lane] ?? '']);
            self::draw($svg, $box, $along, $middle, $half, Palette::lane($lane), $look);
            if ($look->hasNumbers) {
                self::five($svg, $box, $along, $middle, $half, $look->isUpright);
            }
            $name = Axes::shortened($names[$lane] ?? '', $look->isUpright ? self::NAME_STANDING : self::NAME_LYING);
            $look->isUpright
                ? $svg->text($middle, self::LENGTH + 30, $name, ['text-anchor' => 'middle', 'fill' => Palette::INK])
                : $svg->text(self::NAMES - 10, $middle + 4, $name, ['text-anchor' => 'end', 'fill' => Palette::INK]);
            $svg->close();
        }
        if (!$look->isUpright) {
            Axes::lying($svg, Axes::ticks($axis), $axisName, $along, $total + 8);
        }

        return $svg->document();
    }

    /** One box around the middle of its lane. */
    public static function draw(Svg $svg, Geometry $box, Scale $along, float $middle, float $half, string $colour, BoxLook $look): void
    {
        $at = static fn(float $value, float $off): array => $look->isUpright ? [$middle + $off, $along->at($value)] : [$along->at($value), $middle + $off];
        $line = static function (array ...$points) use ($at): string {
            /** @var list<array{float, float}> $points */
            $places = array_map(static fn(array $point): array => $at(...$point), $points);

            return 'M' . implode('L', array_map(static fn(array $place): string => Svg::number($place[0]) . ' ' . Svg::number($place[1]), $places));
        };
        [$q1, $median, $q3] = [$box->number('q1'), $box->number('median'), $box->number('q3')];
        $five = $box->parts('five');
        [$low, $high] = $look->isToExtremes ? [$five[0]->number('at'), $five[4]->number('at')] : [$box->number('whisker_low'), $box->number('whisker_high')];
        $notch = $box->part('notch');
        $waist = $half * 0.5;
        $cap = $half * 0.55;
        $outline = $look->hasNotches
            ? $line([$q1, -$half], [$notch->number('low'), -$half], [$median, -$waist], [$notch->number('high'), -$half], [$q3, -$half], [$q3, $half], [$notch->number('high'), $half], [$median, $waist], [$notch->number('low'), $half], [$q1, $half])
            : $line([$q1, -$half], [$q3, -$half], [$q3, $half], [$q1, $half]);
        $across = $look->hasNotches ? $waist : $half;
        $svg->open(['stroke' => $colour, 'fill' => 'none', 'stroke-width' => 1.5]);
        $svg->add('path', ['d' => $line([$low, 0], [$q1, 0]) . $line([$q3, 0], [$high, 0])]);
        $svg->add('path', ['data-whisker' => 'low', 'd' => $line([$low, -$cap], [$low, $cap])]);
        $svg->add('path', ['data-whisker' => 'high', 'd' => $line([$high, -$cap], [$high, $cap])]);
        $svg->add('path', ['data-box' => '', 'd' => $outline . 'Z', 'fill' => Palette::SURFACE, 'stroke-linejoin' => 'round']);
        $svg->add('path', ['data-median' => '', 'd' => $line([$median, -$across], [$median, $across]), 'stroke-width' => 3.5]);
        foreach ($look->isToExtremes ? [] : $box->part('outliers')->parts('marks') as $mark) {
            [$x, $y] = $at($mark->number('value'), 0);
            $mark->is('far')
                ? $svg->add('path', ['data-outlier' => 'far', 'd' => 'M' . Svg::number($x) . ' ' . Svg::number($y - 5) . 'l5 5-5 5-5-5z', 'fill' => $colour, 'stroke' => 'none'])
                : $svg->add('circle', ['data-outlier' => 'near', 'cx' => $x, 'cy' => $y, 'r' => 3.6]);
        }
        $mean = $box->numberOrNull('mean');
        if ($mean !== null) {
            [$x, $y] = $at($mean, $half + 1);
            self::mean($svg, $x, $y, $colour, $look->isUpright);
        }
        $svg->close();
    }

    /** A small triangle that points at the mean, from below or, on a standing axis, from the right. */
    public static function mean(Svg $svg, float $x, float $y, string $colour, bool $isUpright = false): void
    {
        $svg->add('path', ['data-mean' => '', 'd' => 'M' . Svg::number($x) . ' ' . Svg::number($y) . ($isUpright ? 'l7 4.5v-9z' : 'l4.5 7h-9z'), 'fill' => $colour, 'stroke' => 'none']);
    }

    /** The five numbers beside their places; where they would touch they step aside. */
    private static function five(Svg $svg, Geometry $box, Scale $along, float $middle, float $half, bool $isUpright): void
    {
        $five = $box->parts('five');
        $five = $isUpright ? array_reverse($five) : $five;
        $places = Spread::apart(
            array_map(static fn(Geometry $level): float => $along->at($level->number('at')), $five),
            array_map(static fn(Geometry $level): float => $isUpright ? 14 : mb_strlen($level->text('text')) * self::CHARACTER + 6, $five),
            $isUpright ? 0 : self::NAMES - 40,
            $isUpright ? self::LENGTH + 20 : INF,
        );
        foreach ($five as $i => $level) {
            $isUpright
                ? $svg->text($middle + $half + 12, $places[$i] + 4, $level->text('text'), ['class' => 'figures halo'])
                : $svg->text($places[$i], $middle - $half - 6, $level->text('text'), ['text-anchor' => 'middle', 'class' => 'figures halo']);
        }
    }
}
