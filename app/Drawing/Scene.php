<?php

declare(strict_types=1);

namespace App\Drawing;

/**
 * A picture laid out once for a given width: marks in pixels, what keys walk through, and its numbers. Whatever shows it, paints it: the page
 * from JSON, `Svg` for a report and for files.
 *
 * A mark has a kind (line, rect, circle, path, text, group), its place, the inks that it is painted with, a role and, where it can be pointed
 * at, an id. An ink is a word of the palette (`ink`, `soft`, `hair`, …, or `lane-3` for the third group), so that light, dark and print need no
 * second layout.
 *
 * A mark or a step that rows are behind has the condition that leaves them. An axis tells what can be done on it: read by a crosshair, and
 * classes moved.
 */
final class Scene
{
    private const FAR = 1e6;

    /** @var list<array<string, mixed>> */
    private array $marks = [];
    /** @var list<list<array<string, mixed>>> what stood before each group that is open */
    private array $open = [];
    /** @var list<array<string, mixed>> what each of them is */
    private array $groups = [];
    /** @var list<array<string, mixed>> */
    private array $axes = [];
    /** @var list<array<string, mixed>> */
    private array $steps = [];
    /** @var list<array{words: string, remedy: string|null, ask: array<string, string>|null, alarm: bool}> */
    private array $notes = [];

    /**
     * @param string             $title     what it is called
     * @param list<string>       $sentences what it says, for those who do not see it
     * @param string             $caption   what stands below it
     * @param list<list<string>> $table     its numbers
     * @param string             $plain     the same as plain text, where it can be told so
     */
    public function __construct(
        public readonly float $width,
        public readonly float $height,
        public readonly string $title,
        public readonly array $sentences = [],
        public readonly string $caption = '',
        public readonly array $table = [],
        public readonly string $plain = '',
    ) {}

    /** @param array<string, string|float|int|null> $look inks and how they are put on; role, id, and what it says */
    public function line(float $x1, float $y1, float $x2, float $y2, array $look): void
    {
        $this->add('line', ['x1' => $x1, 'y1' => $y1, 'x2' => $x2, 'y2' => $y2], $look);
    }

    /** @param array<string, string|float|int|null> $look */
    public function rect(float $x, float $y, float $width, float $height, array $look): void
    {
        $this->add('rect', ['x' => $x, 'y' => $y, 'width' => max(0.0, $width), 'height' => max(0.0, $height)], $look);
    }

    /** @param array<string, string|float|int|null> $look */
    public function circle(float $x, float $y, float $radius, array $look): void
    {
        $this->add('circle', ['cx' => $x, 'cy' => $y, 'r' => $radius], $look);
    }

    /**
     * @param string                               $path coordinates to a hundredth, as `Svg::number()` writes them
     * @param array<string, string|float|int|null> $look
     */
    public function path(string $path, array $look): void
    {
        $this->add('path', ['d' => $path], $look);
    }

    /** @param array<string, string|float|int|null> $look `anchor` and `face` (figures, symbols, halo) besides */
    public function text(float $x, float $y, string $text, array $look = []): void
    {
        $this->add('text', ['x' => $x, 'y' => $y, 'text' => $text], ['fill' => 'soft', ...$look]);
    }

    /** All until close() belongs together. */
    public function open(string $role, string $id): void
    {
        $this->open[] = $this->marks;
        $this->groups[] = ['role' => $role, 'id' => $id];
        $this->marks = [];
    }

    /** All until close() is hidden outside this frame. */
    public function openClipped(float $x, float $y, float $width, float $height): void
    {
        $this->open[] = $this->marks;
        $this->groups[] = ['clip' => ['x' => self::rounded($x), 'y' => self::rounded($y), 'width' => self::rounded(max(0.0, $width)), 'height' => self::rounded(max(0.0, $height))]];
        $this->marks = [];
    }

    public function close(): void
    {
        $inside = $this->marks;
        $this->marks = [...(array_pop($this->open) ?? []), ['kind' => 'group', ...(array_pop($this->groups) ?? []), 'marks' => $inside]];
    }

    /**
     * A straight map from data to pixels, so that a pointer can be turned into a value.
     *
     * @param array<string, mixed> $can what can be done on it
     */
    public function axis(string $id, bool $isStanding, Scale $scale, array $can = []): void
    {
        $this->axes[] = ['id' => $id, 'stands' => $isStanding, 'from' => $scale->from, 'to' => $scale->to, 'start' => self::rounded($scale->start), 'end' => self::rounded($scale->end), ...$can];
    }

    /** One of the marks that keys walk through, in words. */
    public function step(int $lane, string $words, float $x, float $y, float $width, float $height, ?string $rows = null): void
    {
        $this->steps[] = ['lane' => $lane, 'words' => $words, 'x' => self::rounded($x), 'y' => self::rounded($y), 'width' => self::rounded($width), 'height' => self::rounded($height), ...($rows === null ? [] : ['rows' => $rows])];
    }

    /**
     * What the picture does not show, or what may mislead in it; and a way out.
     *
     * @param string|null                $remedy what a person can do, in words
     * @param array<string, string>|null $ask    the same in words of the address
     */
    public function note(string $words, ?string $remedy = null, ?array $ask = null, bool $isAlarm = false): void
    {
        $this->notes[] = ['words' => $words, 'remedy' => $remedy, 'ask' => $ask, 'alarm' => $isAlarm];
    }

    /** @return list<array<string, mixed>> */
    public function marks(): array
    {
        return $this->marks;
    }

    /** @return array<string, mixed> as the page is given it */
    public function toArray(): array
    {
        return [
            'width' => $this->width,
            'height' => $this->height,
            'title' => $this->title,
            'sentences' => $this->sentences,
            'caption' => $this->caption,
            'marks' => $this->marks,
            'axes' => $this->axes,
            'steps' => $this->steps,
            'table' => $this->table,
            'plain' => $this->plain,
            'notes' => $this->notes,
        ];
    }

    /**
     * @param array<string, float|string>          $place
     * @param array<string, string|float|int|null> $look
     */
    private function add(string $kind, array $place, array $look): void
    {
        $mark = ['kind' => $kind];
        foreach ($place as $name => $at) {
            $mark[$name] = is_float($at) ? self::rounded($at) : $at;
        }
        foreach ($look as $name => $value) {
            if ($value !== null) {
                $mark[$name] = $value;
            }
        }
        $this->marks[] = $mark;
    }

    /** To a hundredth of a pixel; not −0, and not so far off that no screen shows it. */
    private static function rounded(float $place): float
    {
        return round(max(-self::FAR, min(self::FAR, is_nan($place) ? 0.0 : $place)), 2) + 0.0;
    }
}
