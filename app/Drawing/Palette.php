<?php

declare(strict_types=1);

namespace App\Drawing;

/** Which colour an ink of a scene is: those of the page in its two themes, and on white paper. */
final readonly class Palette
{
    private const HUES = 8;
    private const LIGHT = [
        'paper' => '#f7f8f3', 'surface' => '#ffffff', 'ink' => '#17251f', 'soft' => '#55655d', 'hair' => '#dde3da', 'hair-strong' => '#7f8c85', 'accent' => '#b5400f', 'overall' => '#2b6354',
        'group-1' => '#4b768f', 'group-2' => '#a46313', 'group-3' => '#7548c8', 'group-4' => '#64744b', 'group-5' => '#9c0b53', 'group-6' => '#025958', 'group-7' => '#604a29', 'group-8' => '#433e86',
    ];
    private const DARK = [
        'paper' => '#121a17', 'surface' => '#18221e', 'ink' => '#e8eee9', 'soft' => '#9fb0a7', 'hair' => '#2a3731', 'hair-strong' => '#64786e', 'accent' => '#f08a55', 'overall' => '#7cc4ad',
        'group-1' => '#75abc0', 'group-2' => '#ed9f23', 'group-3' => '#997bdb', 'group-4' => '#afd77f', 'group-5' => '#e56895', 'group-6' => '#75d7ce', 'group-7' => '#bfa689', 'group-8' => '#aca7fe',
    ];
    private const PRINT = ['paper' => '#ffffff', 'ink' => '#000000', 'soft' => '#333333', 'hair' => '#cccccc', 'hair-strong' => '#777777'] + self::LIGHT;
    /** As many as hues: what is told apart by colour is told apart without it too. */
    private const DASHES = [null, '7 3', '2 3', '9 3 2 3', '4 2', '12 4', '1 2', '6 2 1 2 1 2'];

    /** By the words of whoever asks. */
    public const ALL = ['light' => self::LIGHT, 'dark' => self::DARK, 'print' => self::PRINT];

    /** @param array<string, string> $colours */
    private function __construct(private array $colours) {}

    /** @param key-of<self::ALL> $name */
    public static function named(string $name): self
    {
        return new self(self::ALL[$name]);
    }

    /** @return array<string, string> for each colour on white paper what the page calls it, so that it follows the look of the screen */
    public static function ofScreen(): array
    {
        $names = array_flip(array_diff_key(self::LIGHT, ['paper' => true, 'surface' => true]));

        return [...array_map(static fn(string $name): string => "var(--{$name})", $names), '#ffffff' => 'var(--surface)'];
    }

    /** What the page calls the colour of a lane; 0 is the overall one. */
    public static function laneOnScreen(int $lane): string
    {
        return 'var(--' . self::hue("lane-{$lane}") . ')';
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
