<?php

declare(strict_types=1);

namespace App\Drawing;

/** A picture as SVG that stands by itself: colours and faces inside it, nothing linked. Coordinates in pixels. */
final class Svg
{
    private const STYLE = 'text{font:12px "Instrument Sans Variable","Row Tally Signs","Row Tally Marks",system-ui,sans-serif}'
        . '.figures{font-family:"Spline Sans Mono Variable","Row Tally Mono Marks","Row Tally Signs","Row Tally Marks",ui-monospace,monospace;font-variant-numeric:tabular-nums}'
        . '.symbols{font-family:"Row Tally Text","Row Tally Signs","Row Tally Marks",serif;font-style:italic}'
        . '.halo{paint-order:stroke;stroke:' . Palette::PAPER . ';stroke-width:3px;stroke-linejoin:round}';

    /** What the properties of marks are called here. */
    private const ATTRIBUTES = [
        'x' => 'x', 'y' => 'y', 'x1' => 'x1', 'y1' => 'y1', 'x2' => 'x2', 'y2' => 'y2', 'cx' => 'cx', 'cy' => 'cy', 'r' => 'r', 'width' => 'width', 'height' => 'height', 'd' => 'd',
        'fill' => 'fill', 'stroke' => 'stroke', 'opacity' => 'opacity', 'thick' => 'stroke-width', 'dash' => 'stroke-dasharray', 'anchor' => 'text-anchor', 'face' => 'class',
    ];

    private string $body = '';
    private int $clips = 0;

    public function __construct(
        public readonly float $width,
        public readonly float $height,
        private readonly string $name,
    ) {}

    /** A scene in the colours of paper. */
    public static function of(Scene $scene): string
    {
        $svg = new self($scene->width, $scene->height, $scene->title);
        array_map($svg->paint(...), $scene->marks());

        return $svg->document();
    }

    /** @param array<string, string|int|float|null> $attributes without those that are null */
    public function add(string $element, array $attributes, ?string $text = null): void
    {
        $this->body .= '<' . $element . self::attributes($attributes) . ($text === null ? '/>' : '>' . self::escaped($text) . "</{$element}>");
    }

    /** @param array<string, string|int|float|null> $attributes */
    public function line(float $x1, float $y1, float $x2, float $y2, array $attributes): void
    {
        $this->add('line', ['x1' => $x1, 'y1' => $y1, 'x2' => $x2, 'y2' => $y2, ...$attributes]);
    }

    /** @param array<string, string|int|float|null> $attributes */
    public function rect(float $x, float $y, float $width, float $height, array $attributes): void
    {
        $this->add('rect', ['x' => $x, 'y' => $y, 'width' => max(0.0, $width), 'height' => max(0.0, $height), ...$attributes]);
    }

    /** @param array<string, string|int|float|null> $attributes */
    public function text(float $x, float $y, string $text, array $attributes = []): void
    {
        $this->add('text', ['x' => $x, 'y' => $y, 'fill' => Palette::SOFT, ...$attributes], $text);
    }

    /**
     * @param list<array{float, float}>            $points
     * @param array<string, string|int|float|null> $attributes
     */
    public function polyline(array $points, array $attributes): void
    {
        $this->add('polyline', ['points' => implode(' ', array_map(static fn(array $point): string => self::number($point[0]) . ',' . self::number($point[1]), $points)), 'fill' => 'none', ...$attributes]);
    }

    /** @param array<string, string|int|float|null> $attributes */
    public function open(array $attributes): void
    {
        $this->body .= '<g' . self::attributes($attributes) . '>';
    }

    /** All until the next close() is hidden outside this frame. */
    public function openClipped(float $x, float $y, float $width, float $height): void
    {
        $id = 'clip' . ++$this->clips;
        $this->body .= "<clipPath id=\"{$id}\">";
        $this->rect($x, $y, $width, $height, []);
        $this->body .= '</clipPath>';
        $this->open(['clip-path' => "url(#{$id})"]);
    }

    public function close(): void
    {
        $this->body .= '</g>';
    }

    public function document(): string
    {
        $size = self::attributes(['width' => $this->width, 'height' => $this->height, 'viewBox' => '0 0 ' . self::number($this->width) . ' ' . self::number($this->height)]);

        return '<svg xmlns="http://www.w3.org/2000/svg"' . $size . ' role="img" aria-label="' . self::escaped($this->name) . '"><style>' . self::STYLE . '</style>'
            . '<rect width="100%" height="100%" fill="' . Palette::PAPER . '"/>' . $this->body . '</svg>';
    }

    /** Of a coordinate: to a hundredth of a pixel. */
    public static function number(float $number): string
    {
        $text = number_format($number, 2, '.', '');

        return rtrim(rtrim($text === '-0.00' ? '0.00' : $text, '0'), '.');
    }

    /** @param array<string, mixed> $mark */
    private function paint(array $mark): void
    {
        if ($mark['kind'] === 'group' && is_array($mark['marks'])) {
            $clip = is_array($mark['clip'] ?? null) ? $mark['clip'] : null;
            $side = static fn(string $name): float => is_numeric($clip[$name] ?? null) ? (float) $clip[$name] : 0.0;
            $clip === null
                ? $this->open(['data-' . self::word($mark['role'] ?? 'group') => self::word($mark['id'] ?? '')])
                : $this->openClipped($side('x'), $side('y'), $side('width'), $side('height'));
            /** @var list<array<string, mixed>> $inside */
            $inside = $mark['marks'];
            array_map($this->paint(...), $inside);
            $this->close();

            return;
        }
        $attributes = isset($mark['role']) ? ['data-' . self::word($mark['role']) => self::word($mark['id'] ?? '')] : [];
        foreach ($mark as $name => $value) {
            $attribute = self::ATTRIBUTES[$name] ?? null;
            if ($attribute !== null && (is_string($value) || is_numeric($value))) {
                $attributes[$attribute] = match (true) {
                    $name === 'fill' || $name === 'stroke' => Palette::ink((string) $value),
                    is_string($value) => $value,
                    default => (float) $value,
                };
            }
        }
        if (!isset($mark['fill'])) {
            $attributes['fill'] = 'none';
        }
        $this->add(self::word($mark['kind']), $attributes, isset($mark['text']) ? self::word($mark['text']) : null);
    }

    private static function word(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }

    /** @param array<string, string|int|float|null> $attributes */
    private static function attributes(array $attributes): string
    {
        $text = '';
        foreach ($attributes as $name => $value) {
            $text .= $value === null ? '' : " {$name}=\"" . (is_string($value) ? self::escaped($value) : self::number((float) $value)) . '"';
        }

        return $text;
    }

    private static function escaped(string $text): string
    {
        // What XML cannot hold at all becomes the sign for it.
        return htmlspecialchars((string) preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', "\u{FFFD}", mb_scrub($text)), ENT_XML1 | ENT_QUOTES);
    }
}
