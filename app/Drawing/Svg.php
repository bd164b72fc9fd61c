<?php

declare(strict_types=1);

namespace App\Drawing;

/** A scene as SVG that stands by itself: colours inside it, nothing linked; its caption below, its title above. Coordinates in pixels. */
final class Svg
{
    private const STYLE = 'text{font:12px "Instrument Sans Variable","Row Tally Signs","Row Tally Marks",system-ui,sans-serif}'
        . '.figures{font-family:"Spline Sans Mono Variable","Row Tally Mono Marks","Row Tally Signs","Row Tally Marks",ui-monospace,monospace;font-variant-numeric:tabular-nums}'
        . '.symbols{font-family:"Row Tally Text","Row Tally Signs","Row Tally Marks",serif;font-style:italic}';
    private const TITLE = 34.0;
    private const LINE = 16.0;
    private const MARGIN = 16.0;

    /** What the properties of marks are called here. */
    private const ATTRIBUTES = [
        'x' => 'x', 'y' => 'y', 'x1' => 'x1', 'y1' => 'y1', 'x2' => 'x2', 'y2' => 'y2', 'cx' => 'cx', 'cy' => 'cy', 'r' => 'r', 'width' => 'width', 'height' => 'height', 'd' => 'd',
        'fill' => 'fill', 'stroke' => 'stroke', 'opacity' => 'opacity', 'wash' => 'fill-opacity', 'thick' => 'stroke-width', 'dash' => 'stroke-dasharray', 'anchor' => 'text-anchor', 'face' => 'class',
        'length' => 'textLength',
    ];

    private string $body = '';
    private int $clips = 0;

    private function __construct(private readonly Palette $palette) {}

    /** @param string $title '' = none is written above */
    public static function of(Scene $scene, ?Palette $palette = null, string $title = ''): string
    {
        $svg = new self($palette ?? Palette::named('light'));
        array_map($svg->paint(...), $scene->marks());

        return $svg->document($scene, $title);
    }

    /** To a hundredth of a pixel. */
    public static function number(float $number): string
    {
        $text = number_format($number, 2, '.', '');

        return rtrim(rtrim($text === '-0.00' ? '0.00' : $text, '0'), '.');
    }

    private function document(Scene $scene, string $title): string
    {
        $above = $title === '' ? 0.0 : self::TITLE;
        $lines = TextWidth::wrapped($scene->caption, $scene->width - self::MARGIN, 4);
        $height = $scene->height + count($lines) * self::LINE + ($lines === [] ? 0.0 : 6.0);
        foreach ($lines as $i => $line) {
            $this->add('text', ['x' => 0.0, 'y' => $scene->height + self::LINE * ($i + 1) - 2, 'fill' => $this->palette->ink('soft')], $line);
        }
        if ($title !== '') {
            $this->add('text', ['x' => 0.0, 'y' => 22.0 - $above, 'fill' => $this->palette->ink('ink'), 'style' => 'font-size:16px;font-weight:600'], $title);
        }
        $frame = ['x' => -self::MARGIN, 'y' => -$above, 'width' => $scene->width + self::MARGIN, 'height' => $height + $above];

        return '<svg xmlns="http://www.w3.org/2000/svg"' . self::attributes(['width' => $frame['width'], 'height' => $frame['height'], 'viewBox' => implode(' ', array_map(self::number(...), $frame)), 'role' => 'img', 'aria-label' => $title === '' ? $scene->title : $title])
            . '><style>' . self::STYLE . ".halo{paint-order:stroke;stroke:{$this->palette->ink('paper')};stroke-width:3px;stroke-linejoin:round}</style>"
            . '<rect' . self::attributes([...$frame, 'fill' => $this->palette->ink('paper')]) . '/>' . $this->body . '</svg>';
    }

    /** @param array<string, mixed> $mark */
    private function paint(array $mark): void
    {
        $attributes = isset($mark['role']) ? ['data-' . self::word($mark['role']) => self::word($mark['id'] ?? '')] : [];
        if ($mark['kind'] === 'group') {
            $this->body .= $this->clipped($mark['clip'] ?? null, $attributes);
            /** @var list<array<string, mixed>> $inside */
            $inside = $mark['marks'] ?? [];
            array_map($this->paint(...), $inside);
            $this->body .= '</g>';

            return;
        }
        foreach ($mark as $name => $value) {
            $attribute = self::ATTRIBUTES[$name] ?? null;
            if ($attribute !== null && (is_string($value) || is_numeric($value))) {
                $attributes[$attribute] = match (true) {
                    $name === 'fill' || $name === 'stroke' => $this->palette->ink((string) $value),
                    is_string($value) => $value,
                    default => (float) $value,
                };
            }
        }
        if (isset($mark['turn'])) {
            $attributes['transform'] = 'rotate(' . implode(' ', [self::word($mark['turn']), self::word($mark['x'] ?? 0), self::word($mark['y'] ?? 0)]) . ')';
        }
        if (isset($mark['length'])) {
            $attributes['lengthAdjust'] = 'spacingAndGlyphs';
        }
        $this->add(self::word($mark['kind']), ['fill' => 'none', ...$attributes], isset($mark['text']) ? self::word($mark['text']) : null);
    }

    /** @param array<string, string> $attributes */
    private function clipped(mixed $clip, array $attributes): string
    {
        if (!is_array($clip)) {
            return '<g' . self::attributes($attributes) . '>';
        }
        $id = 'clip' . ++$this->clips;
        /** @var array<string, float> $clip */
        return "<clipPath id=\"{$id}\"><rect" . self::attributes($clip) . '/></clipPath><g' . self::attributes([...$attributes, 'clip-path' => "url(#{$id})"]) . '>';
    }

    /** @param array<string, string|int|float> $attributes */
    private function add(string $element, array $attributes, ?string $text = null): void
    {
        $this->body .= '<' . $element . self::attributes($attributes) . ($text === null ? '/>' : '>' . self::escaped($text) . "</{$element}>");
    }

    private static function word(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }

    /** @param array<string, string|int|float> $attributes */
    private static function attributes(array $attributes): string
    {
        $text = '';
        foreach ($attributes as $name => $value) {
            $text .= " {$name}=\"" . (is_string($value) ? self::escaped($value) : self::number((float) $value)) . '"';
        }

        return $text;
    }

    private static function escaped(string $text): string
    {
        // What XML cannot hold at all becomes the sign for it.
        return htmlspecialchars((string) preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', "\u{FFFD}", mb_scrub($text)), ENT_XML1 | ENT_QUOTES);
    }
}
