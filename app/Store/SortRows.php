<?php

declare(strict_types=1);

namespace App\Store;

use App\Files\NoRoom;
use App\Files\WholeFile;
use App\Models\Variable;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Parsing\VariableType;
use Symfony\Component\Process\Process;

/**
 * Rows in the order of a variable: numbers by size, exactly; labels in their order; dates and texts letter by letter, whatever their case.
 * Equal ones stay as they were entered, whichever way the order goes; missing ones come last.
 *
 * Very many texts are put in order by the system's sort, which holds only so much of them in memory.
 */
final class SortRows
{
    /** Texts of so many rows are held in memory. */
    private const IN_MEMORY = 200_000;
    private const BETWEEN = "\x1F";
    private const BUFFER = '64M';

    /**
     * @param list<int> $rows from 0
     *
     * @return list<int>
     */
    public static function of(array $rows, Variable $variable, int $revision, bool $descending): array
    {
        $isText = $variable->type !== VariableType::Number && $variable->type !== VariableType::Category;
        if ($isText && count($rows) > self::IN_MEMORY) {
            return self::bySystem($rows, $variable, $revision, $descending);
        }
        $wanted = array_fill_keys($rows, true);
        $present = $missing = [];
        foreach (self::ranks($variable, $revision) as $row => $rank) {
            if (!isset($wanted[$row])) {
                continue;
            }
            if ($rank === null) {
                $missing[] = $row;
            } else {
                $present[$row] = $rank;
            }
        }
        // As texts they are: "1e3" and "1000" are two.
        $flags = $isText ? SORT_STRING : SORT_NUMERIC;
        $descending ? arsort($present, $flags) : asort($present, $flags);

        return [...array_keys($present), ...$missing];
    }

    /** @return iterable<int, int|float|string|null> what each row is ordered by; null = missing */
    private static function ranks(Variable $variable, int $revision): iterable
    {
        $before = 0;
        if ($variable->type === VariableType::Number) {
            $column = StoredColumns::number($variable, $revision);
            foreach ($column->chunks as $chunk) {
                $row = $before;
                foreach ($column->decimals === null ? $column->doubles($chunk) : $column->integers($chunk) as $value) {
                    yield $row++ => $value;
                }
                $before += $chunk->rows;
            }

            return;
        }
        $places = [];
        $isCategory = $variable->type === VariableType::Category;
        $dictionary = $variable->dictionary;
        $decimals = $variable->decimals;
        foreach ($isCategory ? $dictionary : [] as $place => $label) {
            $places["={$label}"] = $place;
        }
        foreach (StoredColumns::encoded($variable, $revision) as $encoded) {
            foreach (ColumnCells::of($encoded, $dictionary, $decimals) as $i => $cell) {
                yield $before + $i => match (true) {
                    $cell === '' || isset($encoded->unread[$i]) => null,
                    $isCategory => $places["={$cell}"] ?? -1,
                    default => mb_strtolower($cell),
                };
            }
            $before += $encoded->chunk->rows;
        }
    }

    /**
     * @param list<int> $rows
     *
     * @return list<int>
     */
    private static function bySystem(array $rows, Variable $variable, int $revision, bool $descending): array
    {
        $file = WholeFile::scratch();
        $sorted = WholeFile::scratch();
        try {
            $missing = self::write($file, $rows, $variable, $revision);
            (new Process(
                ['sort', '-z', '-s', ...($descending ? ['-r'] : []), '-t', self::BETWEEN, '-k', '1,1', '-S', self::BUFFER, '-o', $sorted, $file],
                sys_get_temp_dir(),
                ['LC_ALL' => 'C'],
                timeout: null,
            ))->mustRun();

            return [...iterator_to_array(self::read($sorted), false), ...$missing];
        } finally {
            unlink($file);
            unlink($sorted);
        }
    }

    /**
     * @param list<int> $rows
     *
     * @return list<int> rows without a text
     */
    private static function write(string $file, array $rows, Variable $variable, int $revision): array
    {
        $wanted = array_fill_keys($rows, true);
        $handle = fopen($file, 'w');
        $missing = [];
        $waiting = '';
        foreach (self::ranks($variable, $revision) as $row => $text) {
            if (!isset($wanted[$row])) {
                continue;
            }
            if ($text === null) {
                $missing[] = $row;
                continue;
            }
            $waiting .= strtr((string) $text, ["\0" => ' ', self::BETWEEN => ' ']) . self::BETWEEN . $row . "\0";
            if (strlen($waiting) > 1 << 20) {
                self::append($handle, $waiting);
                $waiting = '';
            }
        }
        self::append($handle, $waiting);

        return $missing;
    }

    /** @param resource|false $handle */
    private static function append($handle, string $text): void
    {
        if ($handle === false) {
            throw new NoRoom();
        }
        WholeFile::write($handle, $text);
    }

    /** @return iterable<int> */
    private static function read(string $file): iterable
    {
        $handle = fopen($file, 'r');
        while ($handle !== false && ($line = stream_get_line($handle, 1 << 24, "\0")) !== false) {
            yield (int) substr($line, (int) strrpos($line, self::BETWEEN) + 1);
        }
    }
}
