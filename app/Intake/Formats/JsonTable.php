<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Intake\NotATable;
use Generator;
use JsonException;

/**
 * Reads JSON (RFC 8259) as a table: an array of objects, an object of arrays, an array of arrays, or JSON Lines (one object a
 * line). Numbers keep the digits they are written with. Values inside values are kept as JSON text.
 */
final class JsonTable
{
    /** A document that is no list is held at once; a list, and JSON Lines, come item by item and have no such limit. */
    private const MOST_BYTES = 8 << 20;
    private const MOST_COLUMNS = 1000;
    private const LONGEST_LINE = 1 << 22;

    /**
     * @return Generator<int, list<string>> names first
     *
     * @throws NotATable
     */
    public static function document(string $path, int $most = PHP_INT_MAX): Generator
    {
        if (JsonItems::isList($path)) {
            yield from self::listed($path, $most);

            return;
        }
        if ((int) filesize($path) > self::MOST_BYTES) {
            throw NotATable::jsonTooLarge(self::MOST_BYTES >> 20);
        }
        $data = self::decode((string) file_get_contents($path), 1);
        if (!is_array($data) || $data === []) {
            throw NotATable::otherJson('an empty list, an empty object or a single value');
        }
        yield from match (true) {
            self::all($data, static fn(mixed $column): bool => is_array($column) && array_is_list($column)) => self::columns($data),
            // {"data": [{…}, …]}: the one list of objects in it is the table.
            default => self::inside($data),
        };
    }

    /**
     * A list of objects, of lists or of plain values, whatever its size.
     *
     * @return Generator<int, list<string>> names first
     */
    private static function listed(string $path, int $most): Generator
    {
        $kind = static fn(mixed $item): string => match (true) {
            !is_array($item) => 'values',
            array_is_list($item) && $item !== [] => 'lists',
            default => 'objects',
        };
        $first = null;
        $names = [];
        $seen = 0;
        foreach (self::items($path) as $item) {
            $first ??= $kind($item);
            if ($kind($item) !== $first) {
                throw NotATable::otherJson('a list that mixes objects with other values');
            }
            if ($first !== 'objects' || ++$seen > $most) {
                break;
            }
            $names += is_array($item) ? array_fill_keys(array_keys($item), true) : [];
            self::checkWidth(count($names));
        }
        if ($first === null || ($first === 'objects' && $names === [])) {
            throw NotATable::otherJson('an empty list, an empty object or a single value');
        }
        $names = array_map(strval(...), array_keys($names));
        if ($first !== 'lists') {
            yield $first === 'objects' ? $names : ['Value'];
        }
        foreach (self::items($path) as $item) {
            if ($kind($item) !== $first) {
                throw NotATable::otherJson('a list that mixes objects with other values');
            }
            if (is_array($item) && $first === 'lists') {
                self::checkWidth(count($item));
            }
            yield match (true) {
                !is_array($item) => [self::text($item)],
                $first === 'lists' => array_map(self::text(...), array_values($item)),
                default => array_map(static fn(string $name): string => self::text($item[$name] ?? null), $names),
            };
        }
    }

    /** @return Generator<int, mixed> */
    private static function items(string $path): Generator
    {
        foreach (JsonItems::of($path) as $line => $text) {
            yield self::decode($text, $line);
        }
    }

    /**
     * @return Generator<int, list<string>> names first
     *
     * @throws NotATable
     */
    public static function lines(string $path, int $most = PHP_INT_MAX): Generator
    {
        $names = [];
        $seen = 0;
        foreach (self::eachLine($path) as $object) {
            if (++$seen > $most) {
                break;
            }
            $names += array_fill_keys(array_keys($object), true);
            self::checkWidth(count($names));
        }
        $names = array_map(strval(...), array_keys($names));
        if ($names === []) {
            throw NotATable::empty();
        }
        yield $names;
        foreach (self::eachLine($path) as $object) {
            yield array_map(static fn(string $name): string => self::text($object[$name] ?? null), $names);
        }
    }

    /** @return Generator<int, array<array-key, mixed>> */
    private static function eachLine(string $path): Generator
    {
        $handle = fopen($path, 'r');
        $number = 0;
        while ($handle !== false && ($line = fgets($handle, self::LONGEST_LINE)) !== false) {
            ++$number;
            $line = trim($line, " \t\r\n\u{FEFF}");
            if ($line === '') {
                continue;
            }
            $object = self::decode($line, $number);
            if (!is_array($object) || array_is_list($object)) {
                throw NotATable::badJson($number, 'there is no object in this line');
            }
            yield $object;
        }
        if ($handle !== false) {
            fclose($handle);
        }
    }

    private static function decode(string $json, int $line): mixed
    {
        // Numbers become texts, so that 1.50 stays 1.50 and no digit is lost.
        $asTexts = preg_replace_callback(
            '/"(?:[^"\\\\]++|\\\\.)*+"|(-?[0-9]++(?:\.[0-9]++)?(?:[eE][+\-]?[0-9]++)?)/s',
            static fn(array $part): string => isset($part[1]) ? "\"{$part[1]}\"" : $part[0],
            $json,
        );
        try {
            return json_decode(ltrim($asTexts ?? $json, "\u{FEFF}"), true, 64, JSON_THROW_ON_ERROR);
        } catch (JsonException $problem) {
            throw NotATable::badJson($line, lcfirst($problem->getMessage()));
        }
    }

    /**
     * @param array<array-key, mixed> $data
     * @param callable(mixed): bool   $holds
     */
    private static function all(array $data, callable $holds): bool
    {
        foreach ($data as $value) {
            if (!$holds($value)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array<array-key, mixed> $rows
     *
     * @return Generator<int, list<string>>
     */
    private static function objects(array $rows): Generator
    {
        $names = [];
        foreach ($rows as $row) {
            $names += is_array($row) ? array_fill_keys(array_keys($row), true) : [];
        }
        self::checkWidth(count($names));
        $names = array_map(strval(...), array_keys($names));
        yield $names;
        foreach ($rows as $row) {
            yield array_map(static fn(string $name): string => self::text(is_array($row) ? $row[$name] ?? null : null), $names);
        }
    }

    /**
     * @param array<array-key, mixed> $columns
     *
     * @return Generator<int, list<string>>
     */
    private static function columns(array $columns): Generator
    {
        self::checkWidth(count($columns));
        yield array_map(strval(...), array_keys($columns));
        $lists = array_map(static fn(mixed $column): array => is_array($column) ? array_values($column) : [], array_values($columns));
        $rows = max([0, ...array_map(count(...), $lists)]);
        for ($row = 0; $row < $rows; ++$row) {
            yield array_map(static fn(array $list): string => self::text($list[$row] ?? null), $lists);
        }
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @return Generator<int, list<string>>
     */
    private static function inside(array $data): Generator
    {
        $tables = array_filter($data, static fn(mixed $value): bool => is_array($value) && $value !== [] && array_is_list($value)
            && self::all($value, static fn(mixed $row): bool => is_array($row) && !array_is_list($row)));
        if (count($tables) !== 1) {
            throw NotATable::otherJson('an object without a list of objects in it');
        }
        $rows = $tables[array_key_first($tables)];
        yield from self::objects($rows);
    }

    private static function text(mixed $value): string
    {
        return match (true) {
            is_string($value) => $value,
            $value === null => '',
            is_bool($value) => $value ? 'TRUE' : 'FALSE',
            default => json_encode($value, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE),
        };
    }

    private static function checkWidth(int $columns): void
    {
        if ($columns > self::MOST_COLUMNS) {
            throw NotATable::tooManyColumns($columns, self::MOST_COLUMNS);
        }
    }
}
