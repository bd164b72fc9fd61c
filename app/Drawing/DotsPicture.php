<?php

declare(strict_types=1);

namespace App\Drawing;

/** Dots stacked at their places, a lane for each group, with the mean and the median under them. */
final class DotsPicture
{
    private const LEFT = 108;
    private const RIGHT = 26;
    private const GAP = 16;
    private const TOP = 8;
    private const AXIS = 44;
    private const LARGEST = 4.5;
    private const TALLEST = 190;
    private const NAME = 16;

    /** @param list<string> $names overall, then each group */
    public static function of(Geometry $dots, array $names, string $axisName, float $width): string
    {
        $axis = $dots->part('axis');
        $x = Scale::ofAxis($axis, self::LEFT, $width - self::RIGHT);
        $at = array_map($x->at(...), $dots->numbers('at'));
        $lanes = $dots->parts('lanes');
        $stacks = array_map(static fn(Geometry $lane): array => array_map(intval(...), $lane->numbers('dots')), $lanes);
        $tallest = array_map(static fn(array $own): int => max([1, ...$own]), $stacks);
        $radius = max(0.8, min(self::LARGEST, Spread::nearest($at, 2 * self::LARGEST) / 2, self::TALLEST / max([1, ...$tallest]) / 2));
        $bottom = self::TOP + array_sum(array_map(static fn(int $dots): float => $dots * 2 * $radius + self::GAP, $tallest));
        $svg = new Svg($width, $bottom + self::AXIS + Axes::CAPTION, "{$axisName}: dot plot, " . implode(', ', $names));
        $y = (float) self::TOP;
        foreach ($lanes as $i => $lane) {
            $y += $tallest[$i] * 2 * $radius + self::GAP;
            self::lane($svg, $lane, $stacks[$i], $at, $x, $y - self::GAP / 2, $radius, $i, $names[$i] ?? '');
        }
        Axes::lying($svg, Axes::ticks($axis), $axisName, $x, $bottom);
        $svg->text(self::LEFT, $bottom + self::AXIS + 10, self::caption($dots));

        return $svg->document();
    }

    /** What a dot and the marks under the dots stand for. */
    public static function caption(Geometry $dots): string
    {
        $rows = number_format($dots->number('per_dot'));
        $bins = $dots->textOrNull('bin_width');

        return ($rows === '1' ? 'One dot is one row' : "One dot = up to {$rows} rows") . ($bins === null ? '' : ", in bins of {$bins}") . '; ▲ mean, heavy line median.';
    }

    /**
     * @param list<int>   $stacks
     * @param list<float> $at
     */
    private static function lane(Svg $svg, Geometry $lane, array $stacks, array $at, Scale $x, float $base, float $radius, int $i, string $name): void
    {
        $svg->open(['data-dots' => $name, 'fill' => Palette::lane($i)]);
        foreach ($stacks as $column => $number) {
            for ($k = 0; $k < $number; ++$k) {
                $svg->add('circle', ['data-dot' => '', 'cx' => $at[$column], 'cy' => $base - $radius - $k * 2 * $radius, 'r' => $radius * 0.92]);
            }
        }
        $svg->line($x->start, $base, $x->end, $base, ['stroke' => Palette::STRONG_HAIR]);
        $median = $lane->numberOrNull('median');
        if ($median !== null) {
            $svg->line($x->at($median), $base - 4, $x->at($median), $base + 7, ['data-median' => '', 'stroke' => Palette::INK, 'stroke-width' => 3]);
        }
        $mean = $lane->numberOrNull('mean');
        if ($mean !== null) {
            Boxes::mean($svg, $x->at($mean), $base + 1, Palette::lane($i));
        }
        $svg->text(self::LEFT - 10, $base - 2, Axes::shortened($name, self::NAME), ['text-anchor' => 'end', 'fill' => Palette::INK]);
        $svg->close();
    }
}
