<?php

declare(strict_types=1);

namespace App\Drawing;

/** The colours of pictures on paper: those of the page's light theme. */
final class Palette
{
    public const PAPER = '#f7f8f3';
    public const SURFACE = '#ffffff';
    public const INK = '#17251f';
    public const SOFT = '#55655d';
    public const HAIR = '#dde3da';
    public const STRONG_HAIR = '#aab7ae';
    public const ACCENT = '#b5400f';

    private const OVERALL = '#2b6354';
    private const GROUPS = ['#1f6f96', '#a8640c', '#7a4aa3', '#55771d', '#b03a62', '#12807a', '#6b5f4e', '#3d4fa8'];
    private const DASHES = [null, '7 3', '2 3', '9 3 2 3'];

    /** The colour of an ink of a scene. */
    public static function ink(string $ink): string
    {
        return match ($ink) {
            'paper' => self::PAPER,
            'surface' => self::SURFACE,
            'ink' => self::INK,
            'hair' => self::HAIR,
            'hair-strong' => self::STRONG_HAIR,
            'accent' => self::ACCENT,
            'none' => 'none',
            default => str_starts_with($ink, 'lane-') ? self::lane((int) substr($ink, 5)) : self::SOFT,
        };
    }

    /** Lane 0 is the overall one; groups take their hues in turn. */
    public static function lane(int $lane): string
    {
        return $lane === 0 ? self::OVERALL : self::GROUPS[($lane - 1) % count(self::GROUPS)];
    }

    /** How a group's outline is dashed, beside its colour. */
    public static function dash(int $lane): ?string
    {
        return self::DASHES[($lane - 1) % count(self::DASHES)];
    }
}
