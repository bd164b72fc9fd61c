<?php

declare(strict_types=1);

namespace App\Report\Forms;

use App\Drawing\Palette;
use App\Drawing\Svg;

/** A picture as it stands among others on paper: on white, with names of its own, and in as few marks as it takes, which is what a PDF costs. */
final class PaperSvg
{
    /** A circle that is filled and has no rim, alone or one of a run of such. */
    private const DOTS = '/(?:<circle fill="(#[0-9a-f]{6})"(?: data-[a-z-]+="[^"]*")* cx="[-\d.]+" cy="[-\d.]+" r="[\d.]+"(?: opacity="[\d.]+")?\/>)+/';
    private const DOT = '/fill="(#[0-9a-f]{6})"(?: data-[a-z-]+="[^"]*")* cx="([-\d.]+)" cy="([-\d.]+)" r="([\d.]+)"(?: opacity="([\d.]+)")?/';

    /** @param string $id of the block, which names what is in it */
    public static function of(string $svg, string $id): string
    {
        $svg = (string) preg_replace(
            // What draws PDFs reads no short form of a font, and would paint the rim of a letter over it.
            ['/\bid="clip(\d+)"/', '/url\(#clip(\d+)\)/', '/\bfont:12px ([^}]+)\}/', '/\.halo\{[^}]*\}/'],
            ["id=\"{$id}-clip\$1\"", "url(#{$id}-clip\$1)", 'font-size:12px;font-family:$1}', ''],
            str_replace(Palette::named('light')->ink('paper'), '#ffffff', $svg),
        );

        return (string) preg_replace_callback(self::DOTS, static fn(array $run): string => self::dots($run[0]), $svg);
    }

    /** Pictures within a page on screen: in its colours, light or dark. */
    public static function onScreen(string $html): string
    {
        $names = Palette::ofScreen();

        return (string) preg_replace_callback('/ (fill|stroke)="(#[0-9a-f]{6})"/', static fn(array $ink): string => " {$ink[1]}=\"" . ($names[$ink[2]] ?? $ink[2]) . '"', $html);
    }

    /** Circles in a row as one path for each look that they have: points drawn with a round pen. */
    private static function dots(string $circles): string
    {
        preg_match_all(self::DOT, $circles, $found, PREG_SET_ORDER);
        $paths = [];
        foreach ($found as $dot) {
            $look = "stroke=\"{$dot[1]}\" stroke-width=\"" . Svg::number(2 * (float) $dot[4]) . '"' . (($dot[5] ?? '') === '' ? '' : " stroke-opacity=\"{$dot[5]}\"");
            $paths[$look] = ($paths[$look] ?? '') . "M{$dot[2]} {$dot[3]}h0";
        }
        $marks = '';
        foreach ($paths as $look => $path) {
            $marks .= "<path fill=\"none\" stroke-linecap=\"round\" {$look} d=\"{$path}\"/>";
        }

        return $marks;
    }
}
