<?php

declare(strict_types=1);

namespace App\Drawing;

/** Where the parts of the aligned stack lie, in pixels: overall takes the most room, each group has a lane of bars and a box under them. */
final readonly class StackLayout
{
    /** Of one row of the names of the lines; each more takes so much on top. */
    private const LINES_TOP = 20;
    public const NAME_ROW = 14;
    /** The names may lean over both ends of the axis. */
    public const OVER_LEFT = 40;
    public const OVER_RIGHT = 24;
    private const NAME_GAP = 8;
    public const BOX = 18;
    private const NAMES = 108;
    private const NARROW_NAMES = 88;
    private const NARROW = 420;
    private const RIGHT = 26;
    private const OVERALL_BARS = 158;
    /** Alone it takes the room that lanes would have. */
    private const ONLY_BARS = 250;
    private const GROUP_BARS = 36;
    private const GAP = 8;
    private const MEAN_MARK = 4;
    private const AXIS = 44;
    private const DOTS = 40;

    /** @param list<array{barsTop: float, barsBase: float, boxMiddle: float}> $lanes */
    private function __construct(
        public float $left,
        public float $right,
        public float $linesTop,
        public int $nameRows,
        public float $dotsBase,
        public float $axisTop,
        public float $height,
        public array $lanes,
    ) {}

    /** @param list<string> $lineNames */
    public static function of(float $width, int $lanes, bool $asOutlines, array $lineNames = []): self
    {
        $left = $width < self::NARROW ? self::NARROW_NAMES : self::NAMES;
        $right = $width - self::RIGHT;
        $nameRows = Spread::rows(array_map(self::nameWidth(...), $lineNames), $right - $left + self::OVER_LEFT + self::OVER_RIGHT);
        $linesTop = (float) (self::LINES_TOP + ($nameRows - 1) * self::NAME_ROW);
        $y = $dotsBase = $linesTop + self::DOTS;
        $places = [];
        for ($i = 0; $i < $lanes; ++$i) {
            $barsTop = $y + self::GAP;
            $barsBase = $barsTop + match (true) {
                $i > 0 => $asOutlines ? 0 : self::GROUP_BARS,
                $lanes === 1 || $asOutlines => self::ONLY_BARS,
                default => self::OVERALL_BARS,
            };
            $boxMiddle = $barsBase + self::GAP + self::BOX / 2;
            $y = $boxMiddle + self::BOX / 2 + self::GAP + self::MEAN_MARK;
            $places[] = ['barsTop' => $barsTop, 'barsBase' => $barsBase, 'boxMiddle' => $boxMiddle];
        }

        return new self($left, $right, $linesTop, $nameRows, $dotsBase, $y, $y + self::AXIS, $places);
    }

    /** What the name of a line takes, with the gap to the next; in whichever of its two faces is wider. */
    public static function nameWidth(string $name): float
    {
        return max(TextWidth::of($name), TextWidth::of($name, TextWidth::SYMBOLS)) + self::NAME_GAP;
    }
}
