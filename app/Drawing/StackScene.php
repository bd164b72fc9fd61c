<?php

declare(strict_types=1);

namespace App\Drawing;

use Brick\Math\BigRational;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\BoxPlot;
use RowTally\Core\Plots\DotPlot;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Plots\RoundNumbers;
use RowTally\Core\Values\Exact;

/**
 * The aligned stack: dots over bars over a box on one axis, overall on top and a lane for each group below, lines of overall figures
 * through all of it.
 *
 * Definition  a vertical line is the same value in every lane; bars are as high as the classes are full, the box lies from Q₁ to Q₃ of the basis.
 * When        first, for every number: shape, middle, spread and far rows on one axis.
 * Misleads    Other classes make another shape: move them and see what stays. Unequal classes are drawn as densities, and only areas can be compared.
 * Source      Tukey, Exploratory Data Analysis (1977), chapter 2, for the box.
 */
final class StackScene implements Picture
{
    /** So many groups can be told apart as outlines over one another. */
    private const MOST_OUTLINES = 4;
    private const LABEL_HEIGHT = 14;
    /** Marks at the ends of the axis are whole. */
    private const CLIP_MARGIN = 6;
    private const LARGEST_DOT = 2.4;
    private const DOT_ROOM = 38;
    private const LEVELS = 3;
    /** Narrower bars have no edge. */
    private const EDGED = 4;
    private const FULLEST = 3;
    private const LONGEST_UNIT = 7;
    private const DASHES = ['quartiles' => '3 3', 'mode' => '1 3', 'sd1' => '7 3', 'sd2' => '7 3', 'sd3' => '7 3'];

    private Bars $bars;
    private StackLayout $layout;
    private Scene $scene;
    private Scale $x;
    /** @var list<float> in pixels */
    private array $edges;
    /** @var list<array{key: string, name: string, at: float}> the lines that the axis shows, from the left */
    private array $markers;

    private function __construct(private readonly AlignedStack $stack, private readonly PictureSource $of, private readonly bool $asOutlines, float $width)
    {
        $this->bars = $stack->bars;
        $axis = $this->bars->axis;
        $this->markers = array_values(array_filter($stack->markers, static fn(array $marker): bool => $marker['at'] >= $axis->from && $marker['at'] <= $axis->to));
        usort($this->markers, static fn(array $a, array $b): int => $a['at'] <=> $b['at']);
        $this->layout = StackLayout::of($width, count($of->names()), $asOutlines, array_column($this->markers, 'name'));
        $this->x = Scale::ofAxis($axis, $this->layout->left, $this->layout->right);
        $this->edges = array_map($this->x->at(...), $this->bars->classes->edges());
        $key = $this->key();
        $room = $this->layout->right - $this->layout->left + StackLayout::OVER_LEFT;
        $this->scene = new Scene(
            $width,
            $this->layout->height + Key::height($key, $room),
            "{$of->axisName()}: histogram over box plot on one axis",
            array_map($this->sentence(...), array_keys($of->names())),
            $this->caption(),
            $this->table(),
        );
        Key::draw($this->scene, $key, $this->layout->left, $this->layout->height, $room);
    }

    public static function kind(): string
    {
        return 'stack';
    }

    public static function name(): string
    {
        return 'Histogram over box plot';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        return [self::arrangement(self::canOutline(count($of->names())))];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $columns = $of->columns();
        $stack = AlignedStack::of($columns[0], array_slice($columns, 1), $of->basis(), $of->stackOptions());
        $asOutlines = self::canOutline(count($columns)) && $look->of(self::arrangement(true)) === 'outlines';

        return [DrawnScene::of($of->names()[0], $stack === null ? null : (new self($stack, $of, $asOutlines, $width))->scene(), 'there is no value to draw')];
    }

    private static function canOutline(int $lanes): bool
    {
        return $lanes > 1 && $lanes <= self::MOST_OUTLINES + 1;
    }

    private static function arrangement(bool $isOffered): Option
    {
        return new Option('arrange', 'Groups are drawn', '; groups ', [
            ['value' => 'lanes', 'words' => 'in lanes'],
            ['value' => 'outlines', 'words' => 'over one another', 'sentence' => 'As outlines on one scale; percent or density compares groups of any size.'],
        ], isOffered: $isOffered);
    }

    private function scene(): Scene
    {
        $this->clip();
        $this->dots($this->stack->dots);
        $this->scene->close();
        foreach ($this->of->order() as $at => $lane) {
            $this->lane($lane, $this->layout->lanes[$at]);
        }
        if ($this->asOutlines) {
            $this->outlines();
        }
        $this->lines();
        Axes::lying($this->scene, $this->bars->ticks(), $this->of->axisName(), $this->x, $this->layout->axisTop, [
            'reads' => ['top' => $this->layout->linesTop, 'bottom' => $this->layout->axisTop],
            'classes' => $this->classes(),
        ]);
        $this->notes();

        return $this->scene;
    }

    /** @return array<string, mixed> how the classes can be moved */
    private function classes(): array
    {
        $edges = $this->bars->classes->edges();

        return [
            'start' => $edges[0],
            'width' => $this->bars->classes->areEqual() ? $edges[1] - $edges[0] : null,
            'second' => $edges[1],
            'step' => $this->bars->step === null ? null : Exact::clamped($this->bars->step),
            'narrower' => $this->bars->narrower,
            'wider' => $this->bars->wider,
            'heights' => $this->bars->scale->value,
            'base' => $this->layout->lanes[0]['barsBase'],
        ];
    }

    private function clip(): void
    {
        $this->scene->openClipped($this->layout->left - self::CLIP_MARGIN, 0, $this->layout->right - $this->layout->left + 2 * self::CLIP_MARGIN, $this->layout->height);
    }

    private function dots(DotPlot $dots): void
    {
        $at = array_map($this->x->at(...), $dots->at);
        $stacks = $dots->lanes[0]['dots'] ?? [];
        $radius = max(0.7, min(self::LARGEST_DOT, Spread::nearest($at, 2 * self::LARGEST_DOT) / 2, self::DOT_ROOM / max([1, ...$stacks]) / 2));
        $this->scene->open('dot-strip', '');
        foreach ($stacks as $column => $number) {
            for ($k = 0; $k < $number; ++$k) {
                $this->scene->circle($at[$column], $this->layout->dotsBase - $radius - 2 * $radius * $k, $radius * 0.9, ['fill' => 'lane-0', 'opacity' => 0.8, 'role' => 'dot']);
            }
        }
        $this->scene->close();
    }

    /** @param array{barsTop: float, barsBase: float, boxMiddle: float} $place */
    private function lane(int $lane, array $place): void
    {
        $name = $this->of->names()[$lane];
        $box = $this->stack->boxes[$lane];
        $this->scene->open('lane', $name);
        $this->clip();
        if (!$this->asOutlines) {
            $this->drawBars($lane, $place['barsTop'], $place['barsBase']);
        }
        $this->scene->close();
        $this->clip();
        if ($box !== null) {
            Boxes::draw($this->scene, $box, $this->of, $lane, $this->x, $place['boxMiddle'], StackLayout::BOX / 2);
        }
        $this->scene->close();
        $right = $this->layout->left - 10;
        if ($lane === 0) {
            foreach ($this->heightWords($right) as $k => $line) {
                $this->scene->text($right, $place['barsTop'] + 35 + 15 * $k, $line, ['anchor' => 'end']);
            }
        }
        $lines = TextWidth::wrapped($name, $right, 2);
        foreach ($lines as $k => $line) {
            $this->scene->text($right, $place['boxMiddle'] + 4 - 14 * (count($lines) - 1 - $k), $line, ['anchor' => 'end', 'fill' => 'ink', 'role' => 'lane-name', 'says' => $name]);
        }
        if ($this->asOutlines && $lane > 0) {
            $this->scene->line($right - 28, $place['boxMiddle'] + 12, $right, $place['boxMiddle'] + 12, ['stroke' => "lane-{$lane}", 'thick' => 2, 'dash' => Palette::dash($lane)]);
        }
        $this->scene->close();
        foreach ($this->bars->classes->labels($this->closed()) as $i => $label) {
            $this->scene->step($lane, "{$name}, {$label}: {$this->count($lane, $i)}", $this->edges[$i], $place['barsTop'], max(2.0, $this->edges[$i + 1] - $this->edges[$i]), $place['barsBase'] - $place['barsTop'], $this->rows($lane, $i));
        }
    }

    /** Bars that touch, parted by a hairline; what they stand for is written on them where all of them fit. */
    private function drawBars(int $lane, float $top, float $base): void
    {
        $isRoomy = $lane === 0;
        $highest = $this->bars->highest[$lane];
        $room = $base - $top - ($isRoomy ? self::LABEL_HEIGHT : 0);
        $y = static fn(float $height): float => $base - ($highest === 0.0 ? 0.0 : $height / $highest * $room);
        $counts = $this->bars->histograms[$lane]->counts;
        $heights = $this->bars->heights[$lane];
        $labels = $this->bars->classes->labels($this->closed());
        $narrowest = Spread::nearest($this->edges);
        $isCumulative = $this->bars->scale === HeightScale::Cumulative;
        $areLabelled = $isRoomy && $this->bars->scale->over($this->bars->classes) === HeightScale::Count
            && $narrowest >= TextWidth::widest(array_map(fn(int $i): string => $this->count($lane, $i), array_keys($counts)), TextWidth::FIGURES) + 4;
        if ($isRoomy && !$areLabelled) {
            $this->levels($highest, $y);
        }
        foreach ($counts as $i => $count) {
            if ($count <= 0 && !$isCumulative) {
                continue;
            }
            $at = $y($heights[$i]);
            $width = max(0.5, $this->edges[$i + 1] - $this->edges[$i] - ($narrowest > 4 ? 1 : 0));
            $this->scene->rect($this->edges[$i], $at, $width, $base - $at, [
                'fill' => "lane-{$lane}",
                'wash' => $isCumulative ? 0.14 : 0.36,
                // An edge that is seen where the wash is not; very narrow bars would be nothing but edge.
                'stroke' => $width >= self::EDGED ? "lane-{$lane}" : null,
                'thick' => $width >= self::EDGED ? 0.75 : null,
                'role' => 'bar',
                'id' => (string) $i,
                'says' => "{$labels[$i]}: {$this->count($lane, $i)} " . ($this->count($lane, $i) === '1' ? 'row' : 'rows'),
                'rows' => $this->rows($lane, $i),
            ]);
            if ($areLabelled) {
                $this->scene->text($this->edges[$i] + $width / 2, $at - 4, $this->count($lane, $i), ['anchor' => 'middle', 'face' => 'figures halo']);
            }
        }
        if ($isCumulative) {
            $path = 'M' . Svg::number($this->edges[0]) . ' ' . Svg::number($base);
            foreach ($heights as $i => $height) {
                $path .= 'L' . Svg::number($this->edges[$i + 1]) . ' ' . Svg::number($y($height));
            }
            $this->scene->path($path, ['stroke' => "lane-{$lane}", 'thick' => 1.75, 'role' => 'ogive']);
        }
        $curve = array_map(fn(array $point): string => Svg::number($this->x->at($point['at'])) . ' ' . Svg::number($y($point['height'])), $this->bars->curves[$lane] ?? []);
        if ($curve !== []) {
            $this->scene->path('M' . implode('L', $curve), ['stroke' => 'ink', 'thick' => 1.25, 'dash' => '5 3', 'role' => 'curve']);
        }
        $this->scene->line($this->x->start, $base, $this->x->end, $base, ['stroke' => 'hair-strong']);
    }

    /**
     * Hairlines at two or three round heights, where the bars do not carry theirs.
     *
     * @param callable(float): float $y
     */
    private function levels(float $highest, callable $y): void
    {
        if ($highest <= 0.0) {
            return;
        }
        $step = RoundNumbers::stepAtLeast(BigRational::of(Exact::shortestText($highest / self::LEVELS)));
        for ($at = $step; (float) (string) $at <= $highest; $at = $at->plus($step)) {
            $place = $y((float) (string) $at);
            $this->scene->line($this->x->start, $place, $this->x->end, $place, ['stroke' => 'hair']);
            $this->scene->text($this->x->end, $place - 3, Axis::roundText($at), ['anchor' => 'end', 'face' => 'figures']);
        }
    }

    /** The groups' bars as stepped outlines over one another, on one scale. */
    private function outlines(): void
    {
        $highest = max([0.0, ...array_slice($this->bars->highest, 1)]);
        [$top, $base] = [$this->layout->lanes[0]['barsTop'] + 6, $this->layout->lanes[0]['barsBase']];
        $this->clip();
        foreach (array_slice($this->of->order(), 1) as $lane) {
            $path = 'M' . Svg::number($this->edges[0]) . ' ' . Svg::number($base);
            foreach ($this->bars->heights[$lane] as $i => $height) {
                $path .= 'V' . Svg::number($base - ($highest === 0.0 ? 0.0 : $height / $highest * ($base - $top))) . 'H' . Svg::number($this->edges[$i + 1]);
            }
            $this->scene->path($path . 'V' . Svg::number($base), ['stroke' => "lane-{$lane}", 'thick' => 2, 'dash' => Palette::dash($lane), 'role' => 'outline', 'id' => (string) $lane]);
        }
        $this->scene->line($this->x->start, $base, $this->x->end, $base, ['stroke' => 'hair-strong']);
        $this->scene->close();
    }

    /** Figures as lines through the whole stack, named at the top; names that would touch step aside, or take turns in rows. */
    private function lines(): void
    {
        $at = array_map(fn(array $marker): float => $this->x->at($marker['at']), $this->markers);
        $rows = $this->layout->nameRows;
        $places = [];
        for ($row = 0; $row < $rows; ++$row) {
            $own = array_filter(array_keys($this->markers), static fn(int $i): bool => $i % $rows === $row);
            $widths = array_map(fn(int $i): float => StackLayout::nameWidth($this->markers[$i]['name']), $own);
            $apart = Spread::apart(array_values(array_map(static fn(int $i): float => $at[$i], $own)), array_values($widths), $this->x->start - StackLayout::OVER_LEFT, $this->x->end + StackLayout::OVER_RIGHT);
            $places += array_combine($own, $apart);
        }
        $top = $this->layout->linesTop;
        foreach ($this->markers as $i => ['key' => $key, 'name' => $name]) {
            $this->scene->line($at[$i], $top, $at[$i], $this->layout->axisTop, ['stroke' => 'soft', 'opacity' => 0.75, 'dash' => self::DASHES[$key] ?? null, 'role' => 'level', 'id' => $name]);
            $this->scene->text($places[$i], $top - 6 - ($i % $rows) * StackLayout::NAME_ROW, $name, ['anchor' => 'middle', 'face' => str_starts_with($key, 'sd') ? 'symbols' : null, 'role' => 'level-name']);
        }
    }

    private function notes(): void
    {
        $zoom = $this->of->stackOptions()->zoom;
        if ($zoom !== null) {
            $this->scene->note('Only the axis from ' . DecimalText::whole($zoom[0]) . ' to ' . DecimalText::whole($zoom[1]) . ' is drawn.', 'Back to all of it', ['zoom' => '']);
        }
        if ($this->bars->possible !== null) {
            $this->scene->note("Some classes hold {$this->bars->possible[0]} and others {$this->bars->possible[1]} of the values that are possible here, so bars may differ for that alone.", 'Use classes that hold equally many', ['classes' => '']);
        }
        [$below, $above] = [$this->bars->histograms[0]->below, $this->bars->histograms[0]->above];
        if ($below + $above > 0) {
            $text = fn(int $count): string => Counted::of($count, $this->bars->countDecimals);
            $this->scene->note("{$text($below + $above)} " . ($text($below + $above) === '1' ? 'row lies' : 'rows lie') . " outside the classes ({$text($below)} below, {$text($above)} above).", 'Use classes that cover all', ['classes' => ''], true);
        }
    }

    /** @return list<string> what the bars stand for */
    private function heightWords(float $room): array
    {
        $words = match ($this->bars->scale->over($this->bars->classes)) {
            HeightScale::Percent => "% of {$this->of->counted()} per class",
            HeightScale::Density => "share of {$this->of->counted()} per unit",
            HeightScale::Cumulative => "% of {$this->of->counted()} up to here",
            HeightScale::Count => "{$this->of->counted()} per class",
        };
        $unit = $this->of->unit() !== null && mb_strlen($this->of->unit()) <= self::LONGEST_UNIT ? " {$this->of->unit()}" : '';
        $wide = $this->bars->classes->areEqual() ? 'of ' . Axis::roundText($this->bars->classes->width) . $unit : 'of unequal width';

        return [...TextWidth::wrapped($words, $room, 2), TextWidth::fitted($wide, $room)];
    }

    private function caption(): string
    {
        $dots = $this->stack->dots;
        $perDot = intdiv($dots->perDot, 10 ** $this->bars->countDecimals);
        $outliers = $this->stack->boxes[0]?->outliers;

        return implode(' ', [
            ...($perDot > 1 || $dots->binWidth !== null ? ['One dot = ' . ($perDot > 1 ? 'up to ' : '') . Counted::things($perDot, 'row') . ($dots->binWidth === null ? '' : ', in bins of ' . Axis::roundText($dots->binWidth)) . '.'] : []),
            ucfirst($this->closed()->words()) . '.',
            ...($outliers?->cut === true ? [Counted::text($outliers->total) . ' rows lie beyond the fences; only the outermost ' . Outliers::SHOWN . ' are marked.'] : []),
        ]);
    }

    /** @return list<array{sign: string, words: string}> */
    private function key(): array
    {
        return Boxes::key(array_values(array_filter($this->stack->boxes, static fn(?BoxPlot $box): bool => $box !== null)), $this->of);
    }

    private function sentence(int $lane): string
    {
        $box = $this->stack->boxes[$lane];
        $name = "{$this->of->axisName()}, {$this->of->names()[$lane]}";

        return $box === null ? "{$name}: no values." : "{$name}: " . Boxes::sentence($box) . $this->fullest($lane) . Boxes::beyond($box) . '.';
    }

    /** The classes with the largest count, in words; none where nothing is in them, or where they are many. */
    private function fullest(int $lane): string
    {
        $counts = $this->bars->histograms[$lane]->counts;
        $most = max([0, ...$counts]);
        $labels = $this->bars->classes->labels($this->closed());
        $places = array_map(static fn(int $i): string => $labels[$i], array_keys($counts, $most, true));

        return $most === 0 || count($places) > self::FULLEST ? '' : '; most, ' . Counted::of($most, $this->bars->countDecimals) . ', in ' . implode(' and in ', $places);
    }

    /** @return list<list<string>> classes down, counts of each lane across, then the boxes */
    private function table(): array
    {
        $edges = $this->bars->classes->edges();
        $rows = [];
        foreach ($this->bars->classes->labels($this->closed()) as $i => $label) {
            $rows[] = [$label, Exact::plainText($edges[$i]), Exact::plainText($edges[$i + 1]), ...array_map(fn(int $lane): string => Counted::plain($this->bars->histograms[$lane]->counts[$i], $this->bars->countDecimals), array_keys($this->of->names()))];
        }
        $boxes = [];
        foreach ([
            'Q₁' => static fn(BoxPlot $box): float => $box->q1,
            'median' => static fn(BoxPlot $box): float => $box->median,
            'Q₃' => static fn(BoxPlot $box): float => $box->q3,
            'lower whisker' => static fn(BoxPlot $box): float => $box->whiskerLow,
            'upper whisker' => static fn(BoxPlot $box): float => $box->whiskerHigh,
            'mean' => static fn(BoxPlot $box): ?float => $box->mean,
        ] as $name => $figure) {
            $boxes[] = [$name, '', '', ...array_map(static function (?BoxPlot $box) use ($figure): string {
                $value = $box === null ? null : $figure($box);

                return $value === null ? '' : Exact::plainText($value);
            }, $this->stack->boxes)];
        }

        return [['Class', 'From', 'To', ...$this->of->names()], ...$rows, ...$boxes];
    }

    private function count(int $lane, int $place): string
    {
        return Counted::of($this->bars->histograms[$lane]->counts[$place], $this->bars->countDecimals);
    }

    private function rows(int $lane, int $place): ?string
    {
        return $this->of->rowsWhere($this->bars->classes->condition($this->of->variable(), $place, $this->closed()), $lane);
    }

    private function closed(): ClassEdge
    {
        return $this->bars->histograms[0]->closed;
    }
}
