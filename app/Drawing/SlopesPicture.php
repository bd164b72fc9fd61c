<?php

declare(strict_types=1);

namespace App\Drawing;

/** Lines from before to after on one axis: rising ones drawn through, falling ones dashed, staying ones thin. */
final class SlopesPicture
{
    private const WIDEST = 576;
    private const HEIGHT = 340;
    private const TOP = 30;
    private const BOTTOM = 16;
    private const SIDE = 84;

    public static function of(Geometry $slopes, float $width): string
    {
        $width = min($width, self::WIDEST);
        $y = Scale::ofAxis($slopes->part('axis'), self::HEIGHT - self::BOTTOM, self::TOP);
        $svg = new Svg($width, self::HEIGHT, "Slope lines from {$slopes->text('before')} to {$slopes->text('after')}");
        [$left, $right] = [self::SIDE, $width - self::SIDE];
        foreach ([[$left, 'before', 'end', -8], [$right, 'after', 'start', 8]] as [$at, $name, $anchor, $toText]) {
            $svg->line($at, self::TOP, $at, self::HEIGHT - self::BOTTOM, ['stroke' => Palette::INK]);
            foreach (Axes::ticks($slopes->part('axis')) as $tick) {
                $svg->text($at + $toText, $y->at($tick['at']) + 4, $tick['text'], ['text-anchor' => $anchor, 'class' => 'figures']);
            }
            $svg->text($at, self::TOP - 12, $slopes->text($name), ['text-anchor' => 'middle', 'fill' => Palette::INK]);
        }
        $lines = $slopes->points('lines');
        $strength = max(0.18, min(0.8, 24 / max(1, count($lines))));
        foreach ($lines as [$before, $after]) {
            $svg->line($left, $y->at($before), $right, $y->at($after), [
                'data-slope' => $after > $before ? 'rising' : ($after < $before ? 'falling' : 'staying'),
                'stroke' => Palette::lane($after < $before ? 2 : 1),
                'stroke-opacity' => $strength,
                'stroke-width' => $after === $before ? 0.75 : 1.5,
                'stroke-dasharray' => $after < $before ? '6 3' : null,
            ]);
        }

        return $svg->document();
    }
}
