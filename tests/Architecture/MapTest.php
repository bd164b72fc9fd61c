<?php

declare(strict_types=1);

namespace Tests\Architecture;

use FilesystemIterator;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** The map in ARCHITECTURE.md tells the truth: which room uses which, and that nothing runs backwards. */
final class MapTest extends TestCase
{
    private const TREES = ['core' => 'RowTally\\Core', 'app' => 'App'];

    public function test_each_room_uses_what_the_map_says(): void
    {
        $map = self::map();
        foreach (array_keys(self::TREES) as $tree) {
            $uses = self::uses($tree);
            self::assertSame(array_keys($uses), array_values(array_filter(self::sorted(array_keys($map)), static fn(string $room): bool => str_starts_with($room, "{$tree}/"))), 'rooms of the map');
            foreach ($uses as $room => $others) {
                self::assertSame($others, $map[$room], "what {$room} uses");
            }
        }
    }

    public function test_no_room_uses_one_that_uses_it(): void
    {
        foreach (array_keys(self::TREES) as $tree) {
            $left = self::uses($tree);
            while ($left !== []) {
                $ground = array_filter($left, static fn(array $others): bool => array_filter($others, static fn(string $other): bool => isset($left["{$tree}/{$other}"])) === []);
                self::assertNotSame([], $ground, 'a circle among ' . implode(', ', array_keys($left)));
                $left = array_diff_key($left, $ground);
            }
        }
    }

    /** @return array<string, list<string>> room => the rooms of its tree that it is said to use */
    private static function map(): array
    {
        preg_match_all('~^\| `((?:core|app)/\w+)` \|.*\| ([^|]*) ?\|$~mU', (string) file_get_contents(__DIR__ . '/../../ARCHITECTURE.md'), $rows, PREG_SET_ORDER);

        return array_map(static fn(string $uses): array => array_values(array_filter(explode(', ', trim($uses)), static fn(string $room): bool => $room !== '')), array_column($rows, 2, 1));
    }

    /** @return array<string, list<string>> room => the rooms of its tree that it uses */
    private static function uses(string $tree): array
    {
        $root = dirname(__DIR__, 2) . "/{$tree}";
        $uses = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS)) as $file) {
            assert($file instanceof SplFileInfo);
            $room = explode('/', substr($file->getPathname(), strlen($root) + 1))[0];
            preg_match_all('~(?<![\w\\\\])' . preg_quote(self::TREES[$tree], '~') . '\\\\(\w+)\\\\~', (string) file_get_contents($file->getPathname()), $found);
            $uses["{$tree}/{$room}"] = [...($uses["{$tree}/{$room}"] ?? []), ...array_diff($found[1], [$room])];
        }
        ksort($uses);

        return array_map(static fn(array $others): array => self::sorted(array_values(array_unique($others))), $uses);
    }

    /**
     * @param list<string> $rooms
     *
     * @return list<string>
     */
    private static function sorted(array $rooms): array
    {
        sort($rooms);

        return $rooms;
    }
}
