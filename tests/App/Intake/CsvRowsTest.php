<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\CsvRows;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The fast way through a block against the careful one: the same file with one quoted cell must give the same cells. */
final class CsvRowsTest extends TestCase
{
    private string $path = '';

    protected function tearDown(): void
    {
        @unlink($this->path);
    }

    /** @return iterable<string, array{string, string}> delimiter, line break */
    public static function dialects(): iterable
    {
        foreach ([',' => 'comma', ';' => 'semicolon', "\t" => 'tab'] as $delimiter => $name) {
            yield "{$name}, LF" => [$delimiter, "\n"];
            yield "{$name}, CRLF" => [$delimiter, "\r\n"];
        }
    }

    #[DataProvider('dialects')]
    public function test_the_fast_way_gives_the_cells_of_the_careful_way(string $delimiter, string $break): void
    {
        $rows = [];
        for ($i = 0; $i < 30_000; ++$i) {
            $rows[] = ["tag {$i}", $i % 7 === 0 ? '' : (string) ($i / 8), 'ümläut ' . $i % 5];
        }
        $plain = $this->read($this->text([['tag', 'kg', 'type'], ...$rows], $delimiter, $break, false), $fast);
        $quoted = $this->read($this->text([['tag', 'kg', 'type'], ...$rows], $delimiter, $break, true), $careful);

        self::assertGreaterThan(5, $fast, 'the fast way must have run');
        self::assertSame(0, $careful, 'and here it must not');
        self::assertSame($rows, $plain);
        self::assertSame($plain, $quoted);
    }

    public function test_quoted_cells_may_hold_delimiters_line_breaks_and_quotation_marks(): void
    {
        $cells = [['a, b', "two\nlines", 'said "so"'], ['', "\r\n", ',"",'], ['plain', '5" pipe', "it's"]];
        $quoted = static fn(string $cell): string => '"' . str_replace('"', '""', $cell) . '"';
        $text = "x,y,z\n";
        foreach ($cells as $i => $row) {
            $text .= implode(',', $i === 2 ? $row : array_map($quoted, $row)) . "\n";
        }

        self::assertSame($cells, $this->read($text, $fast));
    }

    public function test_quoted_cells_across_the_edges_of_blocks_stay_whole(): void
    {
        $rows = [];
        $text = "x,y\n";
        for ($i = 0; $i < 3000; ++$i) {
            $rows[] = [str_repeat("line {$i}\n", $i % 9), "\"{$i}\""];
            $text .= '"' . $rows[$i][0] . '","""' . $i . "\"\"\"\r\n";
        }

        self::assertSame($rows, $this->read($text, $fast));
    }

    public function test_lines_may_end_in_a_lone_carriage_return(): void
    {
        self::assertSame([['1', '2'], ['3', '4']], $this->read("x,y\r1,2\r3,4\r", $fast));
    }

    public function test_a_line_number_counts_line_breaks_inside_cells_too(): void
    {
        $this->expectExceptionMessage('Line 5 has 3 cells');

        $this->read("x,y\n\"a\nb\nc\",2\n1,2,3\n", $fast);
    }

    /**
     * @param list<list<string>> $rows
     */
    private function text(array $rows, string $delimiter, string $break, bool $isQuoted): string
    {
        return implode('', array_map(
            static fn(array $row): string => implode($delimiter, $isQuoted ? ["\"{$row[0]}\"", $row[1], $row[2]] : $row) . $break,
            $rows,
        ));
    }

    /** @return list<list<string>> rows */
    private function read(string $text, ?int &$fastBlocks): array
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        file_put_contents($this->path, $text);
        $reader = new CsvRows(CsvFile::open($this->path));
        $rows = [];
        foreach ($reader->batches() as $columns) {
            foreach (array_map(null, ...$columns) as $row) {
                $rows[] = $row;
            }
        }
        $fastBlocks = $reader->fastBlocks;
        unlink($this->path);

        return $rows;
    }
}
