<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\CsvRows;
use App\Intake\Decisions;
use App\Intake\Formats\CellRange;
use App\Intake\Formats\TextEncoding;
use App\Intake\Formats\XlsxWorkbook;
use App\Intake\NotATable;
use App\Intake\PreparedTable;
use App\Intake\RecognisedVariable;
use App\Intake\Reshape;
use App\Intake\TableLook;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\Chunk;

final class DecisionsTest extends TestCase
{
    private const FOLDER = __DIR__ . '/corpus/';

    public function test_only_what_was_decided_is_kept(): void
    {
        $decisions = (new Decisions())
            ->with(['what' => 'missing', 'value' => ['n/a']])
            ->with(['what' => 'type', 'column' => 2, 'value' => 'category'])
            ->with(['what' => 'name', 'column' => 2, 'value' => 'Temper'])
            ->with(['what' => 'take', 'column' => 0, 'value' => false]);

        self::assertSame(['missing' => ['n/a'], 'columns' => [2 => ['name' => 'Temper', 'type' => 'category'], 0 => ['take' => false]]], $decisions->toArray());
        self::assertEquals($decisions, Decisions::fromArray($decisions->toArray()));
        self::assertSame([], (new Decisions())->toArray());
    }

    public function test_what_a_row_is_is_one_word_and_one_for_many(): void
    {
        $words = static fn(mixed $said): array => array_values((new Decisions())->with(['what' => 'row_word', 'value' => $said])->rowWords());
        self::assertSame(['hive', 'hives'], $words(' hive ,hives '));
        self::assertSame(['Bienenvolk', 'Bienenvölker'], $words('Bienenvolk, Bienenvölker'));
        self::assertSame(['hive', 'hives'], $words('hive'));
        foreach (['', ' ', ',', ', hives', 'a,b,c', "a\nb", str_repeat('x', 41), 5, null] as $none) {
            self::assertSame([null, null], $words($none));
        }
        // It is no matter of the columns: other columns leave it.
        self::assertSame('hive', (new Decisions())->with(['what' => 'row_word', 'value' => 'hive'])->with(['what' => 'delimiter', 'value' => ';'])->rowWord);
    }

    public function test_a_decision_is_taken_back_by_nothing(): void
    {
        $decisions = (new Decisions())->with(['what' => 'type', 'column' => 1, 'value' => 'text'])->with(['what' => 'type', 'column' => 1, 'value' => null]);

        self::assertSame([], $decisions->toArray());
        self::assertNull((new Decisions())->with(['what' => 'delimiter', 'value' => ';'])->with(['what' => 'delimiter', 'value' => null])->delimiter);
    }

    public function test_decisions_about_columns_end_when_the_columns_become_others(): void
    {
        $decisions = (new Decisions())->with(['what' => 'name', 'column' => 0, 'value' => 'x'])->with(['what' => 'missing', 'value' => ['-']]);

        self::assertSame(['delimiter' => ';', 'missing' => ['-']], $decisions->with(['what' => 'delimiter', 'value' => ';'])->toArray());
        self::assertSame([0 => ['name' => 'x']], $decisions->with(['what' => 'header', 'value' => false])->toArray()['columns'] ?? null);
    }

    /** @return iterable<string, array{string, array<string, mixed>, list<string>, int}> file, decisions, names, rows */
    public static function decided(): iterable
    {
        yield 'another delimiter' => ['semicolon-decimal-comma.csv', ['delimiter' => '|'], ['tag;kg'], 2];
        yield 'the first line is a row' => ['comma.csv', ['header' => false], ['Column 1', 'Column 2'], 3];
        yield 'the table begins further down' => ['comma.csv', ['first_line' => 2], ['A1', '1.5'], 1];
        yield 'the total row is a row' => ['total-row.csv', ['leave_out_totals' => false], ['tag', 'kg'], 4];
        yield 'rows named are left out' => ['comma.csv', ['leave_out' => ['A1']], ['tag', 'kg'], 1];
        yield 'quotation marks are letters' => ['quoted-everything.csv', ['quote' => ''], ['"tag"', '"kg"'], 2];
        yield 'a part of a sheet' => ['formulas-and-errors.xlsx', ['range' => 'A1:A3'], ['x'], 2];
        yield 'another sheet' => ['cover-sheet-first.xlsx', ['sheet' => 'Data'], ['x'], 2];
        yield 'one block' => ['short-rows.csv', ['shape' => 'block', 'value_name' => 'kg (kg)'], ['kg'], 6];
        yield 'an encoding' => ['latin-1.csv', ['encoding' => 'iso-8859-1'], ['Stand', 'kg'], 3];
    }

    /**
     * @param array<string, mixed> $words
     * @param list<string>         $names
     */
    #[DataProvider('decided')]
    public function test_a_decision_has_its_effect_at_once(string $file, array $words, array $names, int $rows): void
    {
        $look = TableLook::at(self::FOLDER . $file, $file, Decisions::fromArray($words));

        self::assertSame($names, array_map(static fn(RecognisedVariable $variable): string => $variable->name, $look->variables));
        self::assertSame($rows, count(array_filter($look->rows, static fn(array $row): bool => !$row['left_out'])));
    }

    public function test_a_range_that_names_nothing_says_what_would(): void
    {
        self::assertEquals([2, 3, 6, 40], array_values(get_object_vars(CellRange::of('b3:F40'))));
        self::assertEquals([2, 3, 6, 40], array_values(get_object_vars(CellRange::of('$F$40:$B$3'))), 'corners in any order');
        self::assertSame(27, XlsxWorkbook::column('AA'));
        $this->expectExceptionMessage('"Z99:ZZ100" names no cells with an entry. Expected: two corners, such as B3:F40.');
        PreparedTable::of(self::FOLDER . 'repeats.ods', 'x.ods', Decisions::fromArray(['range' => 'Z99:ZZ100']));
    }

    public function test_a_character_across_the_edge_of_a_block_is_one_character(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        foreach (range(0, 4) as $shift) {
            $text = str_repeat('a', (1 << 20) - 2 - $shift) . '€😀' . str_repeat('ü', 50);
            file_put_contents($path, $text);
            self::assertSame('utf-8', TextEncoding::of($path));
            foreach (['utf-16le', 'utf-16be'] as $encoding) {
                $half = str_repeat('a', (1 << 19) - 2 - $shift) . '😀€' . str_repeat('x', 50);
                file_put_contents($path, (string) mb_convert_encoding($half, $encoding, 'UTF-8'));
                TextEncoding::toUtf8($path, $encoding, "{$path}.utf8", null);
                self::assertSame($half, file_get_contents("{$path}.utf8"));
            }
        }
        array_map(unlink(...), [$path, "{$path}.utf8"]);
    }

    public function test_stacked_rows_are_cut_into_whole_batches(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        $rows = 6000;
        file_put_contents($path, "hive,a,b,c\n" . implode('', array_map(static fn(int $i): string => "h{$i},{$i},,{$i}5\n", range(1, $rows))));
        $decisions = Decisions::fromArray(['shape' => 'stack', 'stacked' => [1, 2, 3]]);
        $file = CsvFile::open($path, $decisions);
        $sizes = [];
        $last = [];
        foreach (Reshape::of($file->names, $decisions)->pieces((new CsvRows($file))->batches()) as [$batch, $isEnd]) {
            self::assertTrue($isEnd);
            $sizes[] = count($batch[0]);
            $last = array_map(static fn(array $cells): string => $cells[count($cells) - 1], $batch);
        }
        unlink($path);

        self::assertSame([Chunk::ROWS, Chunk::ROWS, 3 * $rows - 2 * Chunk::ROWS], $sizes);
        self::assertSame(['h6000', 'c', '60005'], $last);
    }

    public function test_no_column_taken_is_refused(): void
    {
        $this->expectException(NotATable::class);
        $this->expectExceptionMessage('No column is taken.');
        (new \App\Intake\ReadTable())->read(CsvFile::open(self::FOLDER . 'one-column.txt'), new KeptColumns(), static function (): void {}, Decisions::fromArray(['columns' => [0 => ['take' => false]]]));
    }
}
