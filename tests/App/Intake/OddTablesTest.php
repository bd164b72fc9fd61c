<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Intake\ReadVariable;
use App\Intake\TableLook;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;

/** Tables as people send them, each odd in one way: read, or asked about. */
final class OddTablesTest extends TestCase
{
    private string $path;

    protected function setUp(): void
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'odd');
    }

    protected function tearDown(): void
    {
        unlink($this->path);
    }

    /** @return iterable<string, array{string, list<string>, int}> text, names with types, rows */
    public static function tables(): iterable
    {
        yield 'one column with decimal commas' => ["kg\n3,5\n4,25\n12\n", ['kg number'], 3];
        yield 'one cell in single quotes' => ["name,v\n'x',1\nb,2\nc,3\n", ['name category', 'v number'], 3];
        yield 'all names in single quotes' => ["name,v\n'x, y',1\n'b',2\n", ['name category', 'v number'], 2];
        yield 'marks escaped by backslashes' => ["a,b\n\"say \\\"hi\\\", you\",1\n\"x\",2\n", ['a category', 'b number'], 2];
        yield 'a blank before a mark' => ["a,b\n1, \"x, y\"\n2,\"z\" \n", ['a number', 'b category'], 2];
        yield 'a title with the delimiter' => ["Sales, all of them\nregion,kg,n\nA,1.5,2\nB,2.5,3\n", ['region category', 'kg number', 'n number'], 2];
        yield 'a mark that is not closed' => ["size,n\n3 in,1\n\"wide,2\n4 in,5\n", ['size number', 'n number'], 3];
        yield 'a JSON list of numbers' => ['[3, 4, 5.5]', ['Value number'], 3];
        yield 'a total and its source' => ["Hive,kg\nA,1\nB,2\nTotal,3\nSource: our own count,\n", ['Hive category', 'kg number'], 2];
        yield 'a row of units' => ["Hive,Yield,Time\n,kg,min\nA,1.5,20\nB,2.5,30\nC,1,5\n", ['Hive category', 'Yield number', 'Time number'], 3];
        yield 'a minus in a list' => ['3 -1 2', ['Value number'], 3];
    }

    /** @param list<string> $columns */
    #[DataProvider('tables')]
    public function test_it_is_read(string $text, array $columns, int $rows): void
    {
        file_put_contents($this->path, $text);
        $table = PreparedTable::of($this->path, 'table.txt', new Decisions());
        $reading = (new ReadTable())->read(CsvFile::open($table->path, $table->decisions), new KeptColumns(), static function (): void {}, $table->decisions);

        self::assertSame($columns, array_map(static fn(ReadVariable $variable): string => "{$variable->name} {$variable->type->value}", $reading->variables));
        self::assertSame($rows, $reading->rows);
    }

    public function test_units_of_their_own_row_become_those_of_the_variables(): void
    {
        self::assertSame([null, 'kg', 'min'], array_column($this->look("Hive,Yield,Time\n,kg,min\nA,1.5,20\nB,2.5,30\n")->variables, 'unit'));
    }

    /** @return iterable<string, array{string, string, int}> text, beginning of what is in doubt, how many remedies */
    public static function doubts(): iterable
    {
        yield 'commas that may be decimal' => ["3,5\n4,2\n7,1\n", 'every line has one comma', 2];
        yield 'a cell too many' => ["a,b\n1,2\n3,4,5\n", 'a row has more cells', 1];
        yield 'a mark that is not closed' => ["size,n\n3 in,1\n\"wide,2\n4 in,5\n", 'a quotation mark is not closed', 1];
        yield 'gaps below labels' => ["region,kg\nNorth,1\n,2\n,3\nSouth,4\n,5\n,6\n", 'each label stands once', 1];
        yield 'thousands in classes' => ["age;n;m\n1.000-1.999;3;1\n2.000-2.999;4;2\n", 'three digits follow every mark', 2];
    }

    #[DataProvider('doubts')]
    public function test_it_is_asked_about_and_the_answer_ends_the_question(string $text, string $why, int $remedies): void
    {
        $look = $this->look($text);
        self::assertStringStartsWith($why, $look->inDoubt[0]->why);
        self::assertCount($remedies, $look->inDoubt[0]->remedies);
        foreach ($look->inDoubt[0]->remedies as $remedy) {
            $decisions = new Decisions();
            foreach ($remedy['changes'] as $change) {
                $decisions = $decisions->with($change);
            }
            self::assertSame([], TableLook::at($this->path, 'table.csv', $decisions)->inDoubt, $remedy['words']);
        }
    }

    public function test_gaps_are_filled_from_above(): void
    {
        file_put_contents($this->path, "region,kg\nNorth,1\n,2\nSouth,3\n,4\n,5\n");
        $decisions = (new Decisions())->with(['what' => 'fill_down', 'column' => 0, 'value' => true]);
        $reading = (new ReadTable())->read(CsvFile::open($this->path, $decisions), new KeptColumns(), static function (): void {}, $decisions);

        self::assertSame([['North', 'South'], [2, 3], 0], [$reading->variables[0]->dictionary, $reading->variables[0]->labelCounts, $reading->variables[0]->missing]);
        self::assertSame(VariableType::Category, TableLook::at($this->path, 'x.csv', $decisions)->variables[0]->type);
        self::assertSame('North', TableLook::at($this->path, 'x.csv', $decisions)->rows[1]['cells'][0]);
    }

    public function test_cells_behind_the_last_name_are_left_out_where_somebody_says_so(): void
    {
        file_put_contents($this->path, "a,b\n1,2\n3,4,5\n6,7,,\n");
        $decisions = (new Decisions())->with(['what' => 'leave_out_extra_cells', 'value' => true]);
        $reading = (new ReadTable())->read(CsvFile::open($this->path, $decisions), new KeptColumns(), static function (): void {}, $decisions);

        self::assertSame(3, $reading->rows);
        self::assertContains('One row has more cells than there are names (the first is line 3 of the file); what stands behind the last name was left out.', $reading->notes);
    }

    public function test_rows_of_many_totals_are_left_out_and_a_few_of_them_named(): void
    {
        $places = ['north', 'south', 'east', 'west', 'moor', 'fen', 'heath', 'shore'];
        file_put_contents($this->path, "place,hives\n" . implode('', array_map(static fn(string $place, int $i): string => "a {$place},{$i}\nb {$place},10\nTotal {$place}," . ($i + 10) . "\n", $places, array_keys($places))));
        $reading = (new ReadTable())->read(CsvFile::open($this->path), new KeptColumns(), static function (): void {});

        self::assertSame(16, $reading->rows);
        self::assertContains('8 rows that begin with “Total north” or “Total south” or “Total east” or “Total west” or “Total moor” or 3 more such entries were left out.', array_map((new NumberMarks())->read(...), $reading->notes));
    }

    private function look(string $text): TableLook
    {
        file_put_contents($this->path, $text);

        return TableLook::at($this->path, 'table.csv', new Decisions());
    }
}
