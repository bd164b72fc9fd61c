<?php

declare(strict_types=1);

namespace App\Drawing;

/** Which colour an ink of a scene is: those of the page in its two themes, and on white paper. */
final readonly class Palette
{
    private const HUES = 8;
    private const LIGHT = [
        'paper' => '#f7f8f3', 'surface' => '#ffffff', 'ink' => '#17251f', 'soft' => '#55655d', 'hair' => '#dde3da', 'hair-strong' => '#aab7ae', 'accent' => '#b5400f', 'overall' => '#2b6354',
        'group-1' => '#1f6f96', 'group-2' => '#a8640c', 'group-3' => '#7a4aa3', 'group-4' => '#55771d', 'group-5' => '#b03a62', 'group-6' => '#12807a', 'group-7' => '#6b5f4e', 'group-8' => '#3d4fa8',
    ];
    private const DARK = [
        'paper' => '#121a17', 'surface' => '#18221e', 'ink' => '#e8eee9', 'soft' => '#9fb0a7', 'hair' => '#2a3731', 'hair-strong' => '#52645b', 'accent' => '#f08a55', 'overall' => '#7cc4ad',
        'group-1' => '#6db7dc', 'group-2' => '#e0a04a', 'group-3' => '#bd94e0', 'group-4' => '#a3c566', 'group-5' => '#ec8bab', 'group-6' => '#58c7bf', 'group-7' => '#b9ab96', 'group-8' => '#97a5f2',
    ];
    private const PRINT = ['paper' => '#ffffff', 'ink' => '#000000', 'soft' => '#333333', 'hair' => '#cccccc', 'hair-strong' => '#777777'] + self::LIGHT;
    private const DASHES = [null, '7 3', '2 3', '9 3 2 3'];

    /** By the words of whoever asks. */
    public const ALL = ['light' => self::LIGHT, 'dark' => self::DARK, 'print' => self::PRINT];

    /** @param array<string, string> $colours */
    private function __construct(private array $colours) {}

    /** @param key-of<self::ALL> $name */
    public static function named(string $name): self
    {
        return new self(self::ALL[$name]);
    }

    public function ink(string $ink): string
    {
        return $ink === 'none' ? $ink : $this->colours[self::hue($ink)] ?? $this->colours['soft'];
    }

    /** Lane 0 is the overall one; groups take their hues in turn. */
    private static function hue(string $ink): string
    {
        $lane = str_starts_with($ink, 'lane-') ? (int) substr($ink, 5) : null;

        return $lane === null ? $ink : ($lane === 0 ? 'overall' : 'group-' . (($lane - 1) % self::HUES + 1));
    }

    /** How a group's lines are dashed, beside their colour. */
    public static function dash(int $lane): ?string
    {
        return $lane === 0 ? null : self::DASHES[($lane - 1) % count(self::DASHES)];
    }
}
