<?php

declare(strict_types=1);

namespace App\Store;

use App\Files\NoRoom;
use App\Files\WholeFile;
use App\Models\Variable;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\RowOrder;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Values\Packed;
use Symfony\Component\Process\Exception\ProcessFailedException;
use Symfony\Component\Process\Process;

/**
 * Rows in the order of a variable: numbers by size, exactly; labels in their order; dates and texts letter by letter, whatever their case.
 * Equal ones stay as they were entered, whichever way the order goes; missing ones come last.
 *
 * Rows are four bytes each and never held one by one. Very many texts are put in order by the system's sort, which holds only so much
 * of them in memory.
 */
final class SortRows
{
    /** Texts of so many rows are held in memory. */
    private const IN_MEMORY = 200_000;
    private const BETWEEN = "\x1F";
    private const BUFFER = '64M';
    private const CHUNKS_AT_ONCE = 64;
    private const TOLD = 'Putting the rows in order';
    private const LOOK_EVERY_MICROSECONDS = 50_000;

    /**
     * @param string|null $wanted rows from 0, ascending, four bytes each; null = all
     *
     * @return string the same in order
     */
    public static function of(?string $wanted, Variable $variable, int $revision, bool $descending): string
    {
        if ($variable->type === VariableType::Number) {
            $column = StoredColumns::number($variable, $revision);

            return self::inOrder(self::numberKeys($column), self::ends($column), $wanted, $descending);
        }
        if ($variable->type === VariableType::Category) {
            return self::inOrder(self::labelKeys($variable, $revision), [0, count($variable->dictionary)], $wanted, $descending);
        }

        return self::ofTexts($wanted, $variable, $revision, $descending);
    }

    /**
     * @param iterable<array{int, array<int, int|null>}> $chunks how many rows each has, and their keys
     * @param array{int, int}                            $ends
     */
    private static function inOrder(iterable $chunks, array $ends, ?string $wanted, bool $descending): string
    {
        $order = new RowOrder($ends[0], $ends[1], $descending);
        foreach (self::wanted($chunks, $wanted) as $keys) {
            $order->add($keys);
        }
        $rows = '';
        $all = $order->rows();
        foreach ($order->pieces() as $piece) {
            // They were dealt, which is the first half.
            Underway::tell(self::TOLD, $all + intdiv(strlen($rows), 4), 2 * $all);
            $rows .= $piece;
        }

        return $rows;
    }

    /**
     * Of each chunk the rows that are wanted.
     *
     * @template T
     *
     * @param iterable<array{int, array<int, T>}> $chunks how many rows each has, and what is known of them by place in the chunk
     *
     * @return iterable<array<int, T>> by row
     */
    private static function wanted(iterable $chunks, ?string $wanted): iterable
    {
        $before = $at = 0;
        foreach ($chunks as [$count, $known]) {
            if ($wanted === null) {
                yield $known === [] ? [] : array_combine(range($before, $before + $count - 1), $known);
            } else {
                $rows = [];
                foreach (($some = min($count, intdiv(strlen($wanted), 4) - $at)) === 0 ? [] : Packed::integers("V{$some}", $wanted, 4 * $at) as $row) {
                    if ($row >= $before + $count) {
                        break;
                    }
                    $rows[$row] = $known[$row - $before];
                }
                $at += count($rows);
                yield $rows;
            }
            $before += $count;
        }
    }

    /** @return iterable<array{int, array<int, int|null>}> */
    private static function numberKeys(NumberColumn $column): iterable
    {
        $chunks = [...$column->chunks];
        foreach (Underway::through(self::TOLD, $chunks, 2 * count($chunks)) as $chunk) {
            yield [$chunk->rows, self::keysOf($column, $chunk)];
        }
    }

    /** @return list<int|null> */
    private static function keysOf(NumberColumn $column, Chunk $chunk): array
    {
        if ($column->decimals !== null) {
            return array_values($column->integers($chunk));
        }
        $doubles = array_values($column->doubles($chunk));
        $present = array_filter($doubles, static fn(?float $value): bool => $value !== null);

        return array_values(array_replace(array_fill(0, $chunk->rows, null), RowOrder::keysOf($present)));
    }

    /** @return array{int, int} the lowest and the highest key */
    private static function ends(NumberColumn $column): array
    {
        [$lowest, $highest] = $column->ends($column->chunks);

        return $column->decimals === null ? [RowOrder::keysOf([(float) $lowest])[0], RowOrder::keysOf([(float) $highest])[0]] : [(int) $lowest, (int) $highest];
    }

    /** @return iterable<array{int, list<int|null>}> */
    private static function labelKeys(Variable $variable, int $revision): iterable
    {
        foreach (self::chunks($variable, $revision) as $encoded) {
            // Code 0 is missing; what could not be read is too.
            $codes = $encoded->chunk->encoding === ChunkEncoding::Codes ? array_values($encoded->chunk->integers()) : self::codes($encoded->chunk->texts(), $variable->dictionary);
            yield [$encoded->chunk->rows, array_map(static fn(int $code, int $row): ?int => $code === 0 || isset($encoded->unread[$row]) ? null : $code, $codes, array_keys($codes))];
        }
    }

    /**
     * @param list<string|null> $texts
     * @param list<string>      $dictionary
     *
     * @return list<int>
     */
    private static function codes(array $texts, array $dictionary): array
    {
        $places = [];
        foreach ($dictionary as $place => $label) {
            $places["={$label}"] = $place + 1;
        }

        return array_map(static fn(?string $text): int => $text === null ? 0 : $places["={$text}"] ?? 0, $texts);
    }

    /** @return iterable<\RowTally\Core\Columns\EncodedCells> a few at once, for texts are long */
    private static function chunks(Variable $variable, int $revision): iterable
    {
        $layout = StoredColumns::layout($variable->id, $revision);
        $pieces = array_chunk(array_keys($layout), self::CHUNKS_AT_ONCE);
        foreach (Underway::through(self::TOLD, $pieces, 2 * count($pieces)) as $numbers) {
            yield from array_values(StoredColumns::encoded($variable, $revision, ...$numbers));
        }
    }

    /** @return iterable<array{int, list<string|null>}> */
    private static function texts(Variable $variable, int $revision): iterable
    {
        foreach (self::chunks($variable, $revision) as $encoded) {
            $cells = ColumnCells::of($encoded, [], null);
            foreach ($cells as $i => $cell) {
                $cells[$i] = $cell === '' || isset($encoded->unread[$i]) ? null : mb_strtolower($cell);
            }
            yield [$encoded->chunk->rows, $cells];
        }
    }

    private static function ofTexts(?string $wanted, Variable $variable, int $revision, bool $descending): string
    {
        $chunks = self::wanted(self::texts($variable, $revision), $wanted);
        if (($wanted === null ? array_sum(StoredColumns::layout($variable->id, $revision)) : intdiv(strlen($wanted), 4)) > self::IN_MEMORY) {
            return self::bySystem($chunks, $descending);
        }
        $present = $missing = [];
        foreach ($chunks as $texts) {
            foreach ($texts as $row => $text) {
                if ($text === null) {
                    $missing[] = $row;
                } else {
                    $present[$row] = $text;
                }
            }
        }
        // As texts they are: "1e3" and "1000" are two.
        $descending ? arsort($present, SORT_STRING) : asort($present, SORT_STRING);

        return Packed::bytes('V*', [...array_keys($present), ...$missing]);
    }

    /** @param iterable<array<int, string|null>> $chunks texts by row */
    private static function bySystem(iterable $chunks, bool $descending): string
    {
        $file = WholeFile::scratch();
        $sorted = WholeFile::scratch();
        try {
            $missing = self::write($file, $chunks);
            $sort = new Process(
                ['sort', '-z', '-s', ...($descending ? ['-r'] : []), '-t', self::BETWEEN, '-k', '1,1', '-S', self::BUFFER, '-o', $sorted, $file],
                sys_get_temp_dir(),
                ['LC_ALL' => 'C'],
                timeout: null,
            );
            $sort->start();
            while ($sort->isRunning()) {
                Underway::tell(self::TOLD, 1, 2);
                usleep(self::LOOK_EVERY_MICROSECONDS);
            }
            if (!$sort->isSuccessful()) {
                throw new ProcessFailedException($sort);
            }

            return self::read($sorted) . $missing;
        } finally {
            unlink($file);
            unlink($sorted);
        }
    }

    /**
     * @param iterable<array<int, string|null>> $chunks
     *
     * @return string rows without a text
     */
    private static function write(string $file, iterable $chunks): string
    {
        $handle = fopen($file, 'w');
        $missing = '';
        foreach ($chunks as $texts) {
            $lines = '';
            foreach ($texts as $row => $text) {
                if ($text === null) {
                    $missing .= pack('V', $row);
                } else {
                    $lines .= strtr($text, ["\0" => ' ', self::BETWEEN => ' ']) . self::BETWEEN . $row . "\0";
                }
            }
            if ($handle === false) {
                throw new NoRoom();
            }
            WholeFile::write($handle, $lines);
        }

        return $missing;
    }

    private static function read(string $file): string
    {
        $rows = '';
        $handle = fopen($file, 'r');
        while ($handle !== false && ($line = stream_get_line($handle, 1 << 24, "\0")) !== false) {
            $rows .= pack('V', (int) substr($line, (int) strrpos($line, self::BETWEEN) + 1));
        }

        return $rows;
    }
}
