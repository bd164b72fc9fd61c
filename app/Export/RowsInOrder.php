<?php

declare(strict_types=1);

namespace App\Export;

use App\Files\WholeFile;
use Generator;

/**
 * Puts rows that come in one order into another without holding them: each is written to a file behind those of its band of places, and
 * band after band is read back.
 *
 * Cost  O(rows); what waits to be written, and one band of rows.
 */
final class RowsInOrder
{
    private const BAND_ROWS = 8192;
    private const WRITTEN_AT_ONCE = 16 << 20;

    /** @var resource */
    private $file;
    private readonly string $path;
    private int $end = 0;
    /** @var array<int, string> by band: of each row its place in the band, how long it is, and itself */
    private array $waiting = [];
    private int $waitingBytes = 0;
    /** @var array<int, list<int>> by band: where a piece of it begins in the file, how long it is, and so on */
    private array $pieces = [];

    public function __construct()
    {
        $this->path = WholeFile::scratch();
        $file = fopen($this->path, 'r+');
        assert($file !== false);
        $this->file = $file;
    }

    public function __destruct()
    {
        fclose($this->file);
        @unlink($this->path);
    }

    /**
     * @param int          $place  from 0
     * @param list<string> $cells  by variable
     * @param list<int>    $unread variables whose cell could not be read
     */
    public function add(int $place, array $cells, array $unread): void
    {
        $row = serialize([$cells, $unread]);
        $band = intdiv($place, self::BAND_ROWS);
        $this->waiting[$band] ??= '';
        $this->waiting[$band] .= pack('VV', $place % self::BAND_ROWS, strlen($row)) . $row;
        $this->waitingBytes += strlen($row) + 8;
        if ($this->waitingBytes >= self::WRITTEN_AT_ONCE) {
            $this->write();
        }
    }

    /** How many blocks come of what was added. */
    public function bands(): int
    {
        $this->write();

        return count($this->pieces);
    }

    /** @return Generator<int, array{cells: list<list<string>>, unread: list<array<int, true>>, rows: int}> band after band */
    public function blocks(int $variables): Generator
    {
        $this->write();
        ksort($this->pieces);
        foreach ($this->pieces as $pieces) {
            $rows = [];
            for ($i = 0; $i < count($pieces); $i += 2) {
                $rows += $this->rows($pieces[$i], $pieces[$i + 1]);
            }
            ksort($rows);
            yield self::block($rows, $variables);
        }
    }

    private function write(): void
    {
        ksort($this->waiting);
        foreach ($this->waiting as $band => $bytes) {
            $this->pieces[$band][] = $this->end;
            $this->pieces[$band][] = strlen($bytes);
            $this->end += strlen($bytes);
        }
        WholeFile::write($this->file, implode('', $this->waiting));
        $this->waiting = [];
        $this->waitingBytes = 0;
    }

    /** @return array<int, string> by place in the band */
    private function rows(int $at, int $length): array
    {
        fseek($this->file, $at);
        $bytes = (string) stream_get_contents($this->file, $length);
        $rows = [];
        for ($from = 0; $from < $length;) {
            ['place' => $place, 'length' => $size] = (array) unpack('Vplace/Vlength', $bytes, $from);
            assert(is_int($place) && is_int($size));
            $rows[$place] = substr($bytes, $from + 8, $size);
            $from += 8 + $size;
        }

        return $rows;
    }

    /**
     * @param array<int, string> $rows
     *
     * @return array{cells: list<list<string>>, unread: list<array<int, true>>, rows: int}
     */
    private static function block(array $rows, int $variables): array
    {
        $cells = $unread = array_fill(0, $variables, []);
        foreach (array_values($rows) as $i => $row) {
            /** @var array{list<string>, list<int>} $read */
            $read = unserialize($row, ['allowed_classes' => false]);
            [$texts, $odd] = $read;
            foreach ($texts as $variable => $text) {
                $cells[$variable][] = $text;
            }
            foreach ($odd as $variable) {
                $unread[$variable][$i] = true;
            }
        }

        return ['cells' => $cells, 'unread' => $unread, 'rows' => count($rows)];
    }
}
