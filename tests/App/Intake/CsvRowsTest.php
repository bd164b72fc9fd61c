<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\CsvRecords;
use App\Intake\Csv\CsvRows;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The fast way through a block against the careful one: the same file with one quoted cell must give the same cells. */
final class CsvRowsTest extends TestCase
{
    use TestTrait;

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

    /** A quotation mark further on lets the same lines be looked at cell by cell. */
    public function test_plain_lines_are_cut_as_those_with_marks_behind_them(): void
    {
        $this->limitTo(100)->forAll(Generators::choose(1, 1 << 30), Generators::elements(',', ';', "\t"))->then(static function (int $seed, string $delimiter): void {
            mt_srand($seed);
            $text = implode("\n", array_map(static fn(): string => implode($delimiter, array_map(static fn(): string => ['', 'a', ' b ', "it's", '1,5;x', 'ü'][mt_rand(0, 5)], range(1, mt_rand(1, 4)))), range(1, mt_rand(1, 9))));
            $records = new CsvRecords($delimiter);
            $careful = $records->cut("{$text}\n\"\"\n", 7, true);
            $plain = $records->cut("{$text}\n", 7, true);

            self::assertSame(array_slice($careful['records'], 0, -1), $plain['records']);
            self::assertSame([array_slice($careful['lines'], 0, -1), array_slice($careful['ends'], 0, -1), $careful['next'] - 1], [$plain['lines'], $plain['ends'], $plain['next']]);
            // Without a line break at its end the last line is whole only where the file ends.
            $whole = str_ends_with("\n{$text}", "\n") ? array_slice($plain['records'], 0, -1) : $plain['records'];
            self::assertSame($whole, $records->cut($text, 7, true)['records']);
            self::assertSame(array_slice($plain['records'], 0, -1), $records->cut($text, 7, false)['records']);
        });
        self::assertSame(['records' => [], 'lines' => [], 'ends' => [], 'next' => 1], (new CsvRecords(','))->cut('', 1, true));
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
