<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Values\Exact;

/** The aligned stack: dots over bars over a box on one axis, overall on top and a lane for each group below, lines of overall figures through all of it. */
final readonly class StackPicture
{
    private const LABEL_HEIGHT = 14;
    private const DIGIT = 7;
    private const NAME = 16;
    /** Marks at the ends of the axis are whole. */
    private const CLIP_MARGIN = 6;
    private const LARGEST_DOT = 2.4;
    private const DOT_ROOM = 38;
    private const DASHES = ['quartiles' => '3 3', 'mean' => null, 'mode' => '1 3', 'sd1' => '7 3', 'sd2' => '7 3', 'sd3' => '7 3'];

    private Svg $svg;
    private StackLayout $layout;
    private Scale $x;

    /**
     * @param list<string> $names   overall, then each group
     * @param string       $counted rows, or the variable of counts with its unit
     */
    private function __construct(
        private Geometry $stack,
        private array $names,
        private string $axisName,
        private string $counted,
        private bool $asOutlines,
        float $width,
    ) {
        $this->layout = StackLayout::of($width, count($stack->parts('lanes')), $asOutlines, array_map(static fn(Geometry $marker): string => $marker->text('name'), self::inSight($stack)));
        $this->svg = new Svg($width, $this->layout->height + Axes::CAPTION, "{$axisName}: histogram over box plot on one axis, " . implode(', ', $names));
        $this->x = Scale::ofAxis($stack->part('axis'), $this->layout->left, $this->layout->right);
    }

    /**
     * @param list<string> $names
     * @param list<int>    $order lanes from the top
     */
    public static function of(Geometry $stack, array $names, string $axisName, string $counted, array $order, bool $asOutlines, float $width): string
    {
        return (new self($stack, $names, $axisName, $counted, $asOutlines, $width))->draw($order);
    }

    /** @param list<int> $order */
    private function draw(array $order): string
    {
        $lanes = $this->stack->parts('lanes');
        $this->clip();
        $this->dots($this->stack->part('dots'));
        $this->svg->close();
        foreach ($order as $at => $lane) {
            if (isset($lanes[$lane], $this->layout->lanes[$at])) {
                $this->lane($lanes[$lane], $lane, $this->layout->lanes[$at]);
            }
        }
        if ($this->asOutlines) {
            $this->outlines($lanes);
        }
        $this->markers();
        Axes::lying($this->svg, Axes::ticks($this->stack->part('classes')), $this->axisName, $this->x, $this->layout->axisTop);
        $this->svg->text($this->layout->left, $this->layout->height + 10, DotsScene::caption((int) $this->stack->part('dots')->number('per_dot'), $this->stack->part('dots')->textOrNull('bin_width')));

        return $this->svg->document();
    }

    private function clip(): void
    {
        $this->svg->openClipped($this->layout->left - self::CLIP_MARGIN, 0, $this->layout->right - $this->layout->left + 2 * self::CLIP_MARGIN, $this->layout->height);
    }

    private function dots(Geometry $dots): void
    {
        $at = array_map($this->x->at(...), $dots->numbers('at'));
        $stacks = array_map(intval(...), $dots->numbers('dots'));
        $radius = max(0.7, min(self::LARGEST_DOT, Spread::nearest($at, 2 * self::LARGEST_DOT) / 2, self::DOT_ROOM / max([1, ...$stacks]) / 2));
        foreach ($stacks as $column => $number) {
            for ($k = 0; $k < $number; ++$k) {
                $this->svg->add('circle', ['data-dot' => '', 'cx' => $at[$column], 'cy' => $this->layout->dotsBase - $radius - 2 * $radius * $k, 'r' => $radius * 0.9, 'fill' => Palette::lane(0), 'fill-opacity' => 0.8]);
            }
        }
    }

    /** @param array{barsTop: float, barsBase: float, boxMiddle: float} $place */
    private function lane(Geometry $lane, int $i, array $place): void
    {
        $this->svg->open(['data-lane' => $this->names[$i] ?? '']);
        $this->clip();
        if (!$this->asOutlines) {
            $this->bars($lane, $i, $place['barsTop'], $place['barsBase']);
        }
        $box = $lane->partOrNull('box');
        if ($box !== null) {
            Boxes::draw($this->svg, $box, $this->x, $place['boxMiddle'], StackLayout::BOX / 2, Palette::lane($i), new BoxLook());
        }
        $this->svg->close();
        $right = $this->layout->left - 10;
        if ($i === 0) {
            foreach ($this->scaleLines() as $k => $line) {
                $this->svg->text($right, $place['barsTop'] + 35 + 15 * $k, $line, ['text-anchor' => 'end']);
            }
        }
        foreach (self::wrapped($this->names[$i] ?? '', self::NAME) as $k => $line) {
            $this->svg->text($right, $place['boxMiddle'] + 4 + 14 * $k, $line, ['text-anchor' => 'end', 'fill' => Palette::INK]);
        }
        if ($this->asOutlines && $i > 0) {
            $this->svg->line($right - 28, $place['boxMiddle'] + 12, $right, $place['boxMiddle'] + 12, ['stroke' => Palette::lane($i), 'stroke-width' => 2, 'stroke-dasharray' => Palette::dash($i)]);
        }
        $this->svg->close();
    }

    /** Bars that touch, parted by a hairline; what they stand for is written on them where all of them fit. */
    private function bars(Geometry $lane, int $i, float $top, float $base): void
    {
        $isRoomy = $i === 0;
        $highest = $lane->number('highest');
        $room = $base - $top - ($isRoomy ? self::LABEL_HEIGHT : 0);
        $y = static fn(float $height): float => $base - ($highest === 0.0 ? 0.0 : $height / $highest * $room);
        $edges = array_map($this->x->at(...), $this->edges());
        [$counts, $heights] = [$lane->numbers('counts'), $lane->numbers('heights')];
        $narrowest = Spread::nearest($edges);
        $scale = $this->stack->text('scale');
        $areLabelled = $isRoomy && $scale === 'count' && $narrowest >= self::DIGIT * strlen(self::written(max([0.0, ...$counts]))) + 4;
        if ($isRoomy && !$areLabelled) {
            foreach ($lane->parts('levels') as $level) {
                $at = $y($level->number('at'));
                $this->svg->line($this->x->start, $at, $this->x->end, $at, ['stroke' => Palette::HAIR]);
                $this->svg->text($this->x->end, $at - 3, $level->text('text'), ['text-anchor' => 'end', 'class' => 'figures']);
            }
        }
        foreach ($counts as $place => $count) {
            if ($count <= 0 && $scale !== 'cumulative') {
                continue;
            }
            $at = $y($heights[$place]);
            $width = max(0.5, $edges[$place + 1] - $edges[$place] - ($narrowest > 4 ? 1 : 0));
            $this->svg->rect($edges[$place], $at, $width, $base - $at, ['data-bar' => $place, 'fill' => Palette::lane($i), 'fill-opacity' => $scale === 'cumulative' ? 0.14 : 0.36]);
            if ($areLabelled) {
                $this->svg->text($edges[$place] + $width / 2, $at - 4, self::written($count), ['text-anchor' => 'middle', 'class' => 'figures halo']);
            }
        }
        if ($scale === 'cumulative') {
            $this->svg->polyline([[$edges[0], $base], ...array_map(static fn(float $height, float $edge): array => [$edge, $y($height)], $heights, array_slice($edges, 1))], ['data-ogive' => '', 'stroke' => Palette::lane($i), 'stroke-width' => 1.75]);
        }
        $curve = $lane->parts('curve');
        if ($curve !== []) {
            $this->svg->polyline(array_map(fn(Geometry $point): array => [$this->x->at($point->number('at')), $y($point->number('height'))], $curve), ['data-curve' => '', 'stroke' => Palette::INK, 'stroke-width' => 1.25, 'stroke-dasharray' => '5 3']);
        }
        $this->svg->line($this->x->start, $base, $this->x->end, $base, ['stroke' => Palette::STRONG_HAIR]);
    }

    /**
     * The groups' bars as stepped outlines over one another, on one scale.
     *
     * @param list<Geometry> $lanes
     */
    private function outlines(array $lanes): void
    {
        $highest = max([0.0, ...array_map(static fn(Geometry $lane): float => $lane->number('highest'), array_slice($lanes, 1))]);
        [$top, $base] = [$this->layout->lanes[0]['barsTop'] + 6, $this->layout->lanes[0]['barsBase']];
        $edges = array_map($this->x->at(...), $this->edges());
        $this->clip();
        foreach (array_slice($lanes, 1) as $k => $lane) {
            $path = 'M' . Svg::number($edges[0]) . ' ' . Svg::number($base);
            foreach ($lane->numbers('heights') as $i => $height) {
                $path .= 'V' . Svg::number($base - ($highest === 0.0 ? 0.0 : $height / $highest * ($base - $top))) . 'H' . Svg::number($edges[$i + 1]);
            }
            $this->svg->add('path', ['data-outline' => $k + 1, 'd' => $path . 'V' . Svg::number($base), 'fill' => 'none', 'stroke' => Palette::lane($k + 1), 'stroke-width' => 2, 'stroke-dasharray' => Palette::dash($k + 1)]);
        }
        $this->svg->line($this->x->start, $base, $this->x->end, $base, ['stroke' => Palette::STRONG_HAIR]);
        $this->svg->close();
    }

    /** Figures as lines through the whole stack, named at the top; names that would touch step aside, or take turns in rows. */
    private function markers(): void
    {
        $inside = self::inSight($this->stack);
        $at = array_map(fn(Geometry $marker): float => $this->x->at($marker->number('at')), $inside);
        $rows = $this->layout->nameRows;
        $places = [];
        for ($row = 0; $row < $rows; ++$row) {
            $own = array_filter(array_keys($inside), static fn(int $i): bool => $i % $rows === $row);
            $widths = array_map(static fn(int $i): float => StackLayout::nameWidth($inside[$i]->text('name')), $own);
            $apart = Spread::apart(array_values(array_map(static fn(int $i): float => $at[$i], $own)), array_values($widths), $this->x->start - StackLayout::OVER_LEFT, $this->x->end + StackLayout::OVER_RIGHT);
            $places += array_combine($own, $apart);
        }
        $top = $this->layout->linesTop;
        foreach ($inside as $i => $marker) {
            $this->svg->line($at[$i], $top, $at[$i], $this->layout->axisTop, ['data-level' => $marker->text('name'), 'stroke' => Palette::SOFT, 'stroke-opacity' => 0.75, 'stroke-dasharray' => self::DASHES[$marker->text('key')] ?? null]);
            $this->svg->text($places[$i], $top - 6 - ($i % $rows) * StackLayout::NAME_ROW, $marker->text('name'), ['text-anchor' => 'middle', 'class' => str_starts_with($marker->text('key'), 'sd') ? 'symbols' : null]);
        }
    }

    /** @return list<Geometry> the lines that the axis shows, from the left */
    private static function inSight(Geometry $stack): array
    {
        $axis = $stack->part('axis');

        $inside = array_values(array_filter($stack->parts('markers'), static fn(Geometry $marker): bool => $marker->number('at') >= $axis->number('from') && $marker->number('at') <= $axis->number('to')));
        usort($inside, static fn(Geometry $a, Geometry $b): int => $a->number('at') <=> $b->number('at'));

        return $inside;
    }

    /** A count, which need not be whole. */
    private static function written(float $count): string
    {
        return $count === floor($count) && abs($count) < PHP_INT_MAX ? (string) (int) $count : Exact::shortestText($count);
    }

    /** @return list<float> */
    private function edges(): array
    {
        return $this->stack->part('classes')->numbers('edges');
    }

    /** @return list<string> what the bars stand for */
    private function scaleLines(): array
    {
        $words = match ($this->stack->text('scale')) {
            'percent' => "% of {$this->counted} per class",
            'density' => "share of {$this->counted} per unit",
            'cumulative' => "% of {$this->counted} up to here",
            default => "{$this->counted} per class",
        };
        $width = $this->stack->part('classes')->textOrNull('width');
        $unit = preg_match('/\(([^()]{1,7})\)$/u', $this->axisName, $found) === 1 ? " {$found[1]}" : '';

        return [...self::wrapped($words, self::NAME), $width === null ? 'of unequal width' : "of {$width}{$unit}"];
    }

    /** @return list<string> two lines at most */
    private static function wrapped(string $text, int $longest): array
    {
        $lines = [''];
        foreach (explode(' ', $text) as $word) {
            $last = count($lines) - 1;
            $joined = ltrim("{$lines[$last]} {$word}");
            mb_strlen($joined) <= $longest || $lines[$last] === '' ? $lines[$last] = $joined : $lines[] = $word;
        }
        $second = Axes::shortened(implode(' ', array_slice($lines, 1)), $longest);

        return array_values(array_filter([Axes::shortened($lines[0], $longest), $second], static fn(string $line): bool => $line !== ''));
    }
}
