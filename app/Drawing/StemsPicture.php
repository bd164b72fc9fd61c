<?php

declare(strict_types=1);

namespace App\Drawing;

/** A stem-and-leaf as it is written, or turned on its side, where its lines of leaves are the bars of a histogram. */
final class StemsPicture
{
    private const LINE = 24;
    /** A leaf as it is printed; smaller where a line has many. */
    private const LEAF = 9;
    private const LONGEST = 320;
    /** Digits smaller than this cannot be read. */
    private const LEGIBLE = 4;
    private const STEM = 48;
    private const MARGIN = 12;

    private const NARROWEST = 260;
    private const ROW = 17;
    private const GAP = 8;
    private const CHARACTER = 7.3;

    /** Depth, stem and leaves; ½ with the count of its own on the line that holds the median. */
    public static function written(Geometry $column, string $name, string $leafUnit): string
    {
        $lines = array_map(static fn(Geometry $line): array => [
            ($line->is('holds_median') ? '½ ' : '') . $line->text('depth'),
            ...self::line($line, $column),
        ], $column->parts('lines'));
        $ends = array_map(static fn(string $end): string => implode('  ', array_map(
            static fn(Geometry $entry): string => $entry->text('text') . ($entry->number('count') > 1 ? ' ×' . $entry->text('count') : ''),
            $column->parts($end),
        )), ['low', 'high']);
        $deep = self::MARGIN + self::CHARACTER * max([4, ...array_map(mb_strlen(...), array_column($lines, 0))]);
        $stem = $deep + self::CHARACTER * (2 + max([1, ...array_map(mb_strlen(...), array_column($lines, 1))]));
        $longest = max(array_map(mb_strlen(...), [...array_column($lines, 2), ...$ends]));
        $svg = new Svg(max(self::NARROWEST, $stem + self::CHARACTER * ($longest + 3) + 2 * self::MARGIN), (count($lines) + count(array_diff($ends, [''])) + 1) * self::ROW + 2 * self::MARGIN + self::GAP, "{$name}: stem-and-leaf");
        $y = (float) self::MARGIN;
        foreach ([['low', '', $ends[0]], ...$lines, ['high', '', $ends[1]]] as [$depth, $digits, $leaves]) {
            if ($leaves === '' && $digits === '') {
                continue;
            }
            $y += self::ROW;
            $svg->text($deep, $y, $depth, ['text-anchor' => 'end', 'class' => 'figures']);
            $svg->text($stem, $y, $digits, ['text-anchor' => 'end', 'class' => 'figures', 'fill' => Palette::INK]);
            $svg->text($stem + 2 * self::CHARACTER, $y, $leaves, ['class' => 'figures', 'fill' => Palette::INK, 'data-leaves' => $digits]);
        }
        $svg->line($stem + self::CHARACTER, self::MARGIN + 4, $stem + self::CHARACTER, $y + 4, ['stroke' => Palette::STRONG_HAIR]);
        $perLeaf = $column->number('per_leaf');
        $svg->text(self::MARGIN, $y + self::ROW + self::GAP, "Leaf unit {$leafUnit}" . ($perLeaf > 1 ? ', one leaf = ' . number_format($perLeaf) . ' rows' : '') . '.');

        return $svg->document();
    }

    /** @param Geometry $column of the stem-and-leaf displays */
    public static function turned(Geometry $column, string $name, int $lane): string
    {
        $lines = array_map(static fn(Geometry $line): array => self::line($line, $column), $column->parts('lines'));
        $most = max([1, ...array_map(static fn(array $line): int => strlen($line[1]), $lines)]);
        $leaf = min(self::LEAF, self::LONGEST / $most);
        $height = self::STEM + $most * $leaf + self::MARGIN;
        $svg = new Svg(count($lines) * self::LINE + 2 * self::MARGIN, $height, "{$name}: stem-and-leaf turned on its side");
        $svg->open(['transform' => 'translate(' . self::MARGIN . ' ' . Svg::number($height) . ') rotate(-90)']);
        foreach ($lines as $i => [$stem, $leaves]) {
            $top = $i * self::LINE;
            $long = strlen($leaves) * $leaf;
            $svg->rect(self::STEM, $top + 1, $long, self::LINE - 1, ['data-stem-bar' => $stem, 'fill' => Palette::lane($lane), 'fill-opacity' => 0.3]);
            $svg->text(self::STEM - 8, $top + self::LINE - 7, $stem, ['text-anchor' => 'end', 'class' => 'figures']);
            if ($leaf >= self::LEGIBLE && $leaves !== '') {
                $svg->text(self::STEM, $top + self::LINE - 7, $leaves, ['fill' => Palette::INK, 'class' => 'figures', 'textLength' => $long, 'lengthAdjust' => 'spacingAndGlyphs']);
            }
        }
        $svg->line(self::STEM, 0, self::STEM, count($lines) * self::LINE, ['stroke' => Palette::INK]);
        $svg->close();

        return $svg->document();
    }

    /** @return array{string, string} stem and leaves */
    private static function line(Geometry $line, Geometry $column): array
    {
        return [str_replace('-', '−', $line->text('stem')), self::leaves($line, $column->number('per_leaf'))];
    }

    /** As digits, of many values one for several: rounding what has been counted so far keeps their number in step. */
    private static function leaves(Geometry $line, float $perLeaf): string
    {
        $seen = $written = 0;
        $digits = '';
        foreach ($line->parts('leaves') as $leaf) {
            $seen += $leaf->number('count');
            $upTo = max($written, (int) floor($seen / $perLeaf + 0.5));
            $digits .= str_repeat($leaf->text('digit'), $upTo - $written);
            $written = $upTo;
        }

        return $digits;
    }
}
