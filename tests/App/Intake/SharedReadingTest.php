<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\CsvRows;
use App\Intake\Decisions;
use App\Intake\PackColumns;
use App\Intake\ReadTable;
use App\Intake\RecogniseColumns;
use App\Intake\RecognisedVariable;
use App\Intake\SharedColumns;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\VariableType;
use RuntimeException;

final class SharedReadingTest extends TestCase
{
    private const HEAD = "No,Apiary,Weight,Note,Seen\n";

    private string $path = '';

    protected function tearDown(): void
    {
        @unlink($this->path);
    }

    #[DataProvider('files')]
    public function test_columns_packed_apart_are_those_packed_together(string $text): void
    {
        $file = $this->file($text);
        $columns = RecogniseColumns::of($file, new Decisions());
        $together = new KeptColumns();
        $all = (new PackColumns($file, new Decisions(), $columns))->pack([0, 1, 2, 3, 4], $together, static function (): void {});
        $apart = new KeptColumns();
        $first = (new PackColumns($file, new Decisions(), $columns))->pack([1, 4], $apart, static function (): void {});
        $second = (new PackColumns($file, new Decisions(), $columns))->pack([0, 2, 3], $apart, static function (): void {});

        self::assertGreaterThan(0, $all->rows);
        self::assertSame([$all->rows, $all->rows], [$first->rows, $second->rows]);
        self::assertEquals($all->variables, $first->variables + $second->variables);
        self::assertEquals($together->columns, $apart->columns);
    }

    /** @return array<string, array{string}> */
    public static function files(): array
    {
        $row = static fn(int $i): string => $i . ',' . ['Alder', 'Brook', ''][$i % 3] . ',' . ($i % 7 === 0 ? '' : $i / 8) . ',' . ($i % 2 === 0 ? 'calm' : "busy {$i}") . ',2026-0' . (1 + $i % 9) . "-11\n";
        $rows = array_map($row, range(1, 20_000));

        return [
            'plain, over several chunks' => [self::HEAD . implode('', $rows)],
            'with quotation marks in the middle' => [self::HEAD . implode('', array_slice($rows, 0, 900)) . "901,\"Alder\",7,\"a, b\",2026-01-01\n" . implode('', array_slice($rows, 901, 2000))],
            'a short row and a blank line' => [self::HEAD . implode('', array_slice($rows, 0, 50)) . "51,Alder\n\n" . implode('', array_slice($rows, 51, 50))],
            'numbers that turn out to have more decimals' => [self::HEAD . implode('', array_slice($rows, 0, 9000)) . "9001,Brook,0.123456789,calm,2026-01-01\n"],
        ];
    }

    public function test_only_the_columns_that_are_wanted_are_cut(): void
    {
        $file = $this->file(self::HEAD . "1,Alder,2.5,calm,2026-01-01\n2,Brook,3.5,\"a\nb\",2026-01-02\n");

        self::assertSame([[1 => ['Alder', 'Brook'], 3 => ['calm', "a\nb"]]], iterator_to_array((new CsvRows($file, [1, 3]))->batches()));
    }

    public function test_two_processes_give_what_one_gives(): void
    {
        $line = "7,Alder,2.5,calm and quiet all the day,2026-01-01\n8,Brook,,busy,2026-01-02\n";
        $file = $this->file(self::HEAD . str_repeat($line, 150_000));
        $alone = (new ReadTable())->read($file, new KeptColumns(), static function (): void {});
        $shared = new SharedKeptColumns();
        $progress = 0;
        $inTwo = (new ReadTable())->read($file, $shared, static function (int $bytes, int $rows) use (&$progress): void {
            $progress = max($progress, $rows);
        });

        self::assertTrue($shared->wasShared);
        self::assertSame(300_000, $progress);
        self::assertGreaterThan(0, $inTwo->peakElsewhere);
        self::assertEquals([$alone->rows, $alone->variables, $alone->notes], [$inTwo->rows, $inTwo->variables, $inTwo->notes]);
        // Of the chunks only this process's own came here; the others went to the copy's sink.
        self::assertLessThan(5, count($shared->columns));
    }

    public function test_cancelling_ends_both(): void
    {
        $file = $this->file(self::HEAD . str_repeat("7,Alder,2.5,calm and quiet all the day,2026-01-01\n", 250_000));
        $this->expectExceptionObject(new RuntimeException('enough'));

        (new ReadTable())->read($file, new SharedKeptColumns(), static fn() => throw new RuntimeException('enough'));
    }

    public function test_what_goes_wrong_in_the_second_process_is_said(): void
    {
        $file = $this->file(self::HEAD . str_repeat("7,Alder,2.5,calm and quiet all the day,2026-01-01\n", 250_000));
        $this->expectExceptionMessage('the disk is full');

        (new ReadTable())->read($file, new SharedKeptColumns('the disk is full'), static function (): void {});
    }

    public function test_shares_are_about_as_much_work(): void
    {
        $of = static fn(VariableType ...$types): array => SharedColumns::of(array_values(array_map(static fn(VariableType $type): RecognisedVariable => new RecognisedVariable('x', null, $type), $types)), 2);

        self::assertSame([[0], [1]], $of(VariableType::Number, VariableType::Category));
        self::assertSame([[1], [0, 2]], $of(VariableType::Category, VariableType::Date, VariableType::Text));
        self::assertSame([[0, 2, 4], [1, 3, 5]], $of(...array_fill(0, 6, VariableType::Number)));

        // A number, a category, then numbers of many, some, few and very many texts.
        $variables = array_map(static fn(?int $texts): RecognisedVariable => new RecognisedVariable('x', null, $texts === null ? VariableType::Category : VariableType::Number, texts: $texts ?? 5), [9000, null, 6000, 330, 60, 11_000]);
        self::assertSame([[0, 4, 5], [1, 2, 3]], SharedColumns::of($variables, 2));
    }

    private function file(string $text): CsvFile
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        file_put_contents($this->path, $text);

        return CsvFile::open($this->path);
    }
}
