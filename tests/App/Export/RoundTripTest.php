<?php

declare(strict_types=1);

namespace Tests\App\Export;

use App\Export\ExportedTable;
use App\Export\ExportedVariable;
use App\Export\ExportFormat;
use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Intake\ReadVariable;
use App\Intake\TableReading;
use Brick\Math\BigDecimal;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Parsing\VariableType;
use Tests\App\Intake\KeptColumns;

/** What is taken out in a format comes in again as it was, as far as the format can carry it. */
final class RoundTripTest extends TestCase
{
    use TestTrait;

    private const LABELS = ['calm', 'Alder Wick', '=1+1', '-x', '@home', "it's", '"so"', 'a,b;c', "two\nlines", ' blank ', '#1', 'ümläut', 'שלום', '<b>&amp;</b>', "tab\there", "'=x", 'two  blanks'];

    /** @return iterable<string, array{ExportFormat}> */
    public static function formats(): iterable
    {
        foreach (ExportFormat::cases() as $format) {
            yield $format->value => [$format];
        }
    }

    #[DataProvider('formats')]
    public function test_values_come_back_as_they_went(ExportFormat $format): void
    {
        // A seed and not a list: shrinking long lists of texts takes minutes.
        $this->limitTo(30)->forAll(Generators::choose(1, 1_000_000), Generators::choose(0, 6))->then(function (int $seed, int $decimals) use ($format): void {
            mt_srand($seed);
            // Enough plain rows that the types are the same whatever the rest is.
            $kg = ['1.5', '2.25', '3', '4'];
            $label = ['calm', 'calm', 'lively', 'calm'];
            $day = ['2026-03-21', '2026-03-22', '1999-12-31', '2026-01-01'];
            for ($row = mt_rand(0, 40); $row > 0; --$row) {
                [$number, $gap, $text, $days] = [mt_rand(-10 ** 9, 10 ** 9), mt_rand(0, 20), mt_rand(0, count(self::LABELS) - 1), mt_rand(0, 20_000)];
                $scaled = (string) BigDecimal::ofUnscaledValue($number, $decimals);
                $kg[] = $gap === 0 ? '' : $scaled;
                $label[] = $gap === 1 ? '' : self::LABELS[$text];
                $day[] = $gap === 2 ? '' : gmdate('Y-m-d', 86_400 * $days);
            }
            [$reading, $cells] = $this->through($format, [
                [new ExportedVariable('Weight', VariableType::Number, 'kg', null, null, [], null, null), $kg],
                [new ExportedVariable('Temper, "now"', VariableType::Category, null, null, null, [], array_values(array_unique(array_filter($label, static fn(string $text): bool => $text !== ''))), null), $label],
                [new ExportedVariable('Day', VariableType::Date, null, null, null, [], null, null), $day],
            ]);

            self::assertSame(['Weight', 'Temper, "now"', 'Day'], array_map(static fn(ReadVariable $variable): string => $variable->name, $reading->variables));
            self::assertSame([VariableType::Number, VariableType::Date], [$reading->variables[0]->type, $reading->variables[2]->type]);
            self::assertSame(array_map(self::plain(...), $kg), array_map(self::plain(...), $cells[0]));
            self::assertSame($label, $cells[1]);
            self::assertSame($day, $cells[2]);
        });
    }

    public function test_a_data_package_carries_all_that_is_known_of_a_variable(): void
    {
        [$reading] = $this->through(ExportFormat::DataPackage, [
            [new ExportedVariable('temper', VariableType::Category, null, 'Temper', 'How they behave', ['x'], ['lively', 'calm', 'never seen'], null), ['calm', 'lively', '']],
            [new ExportedVariable('code', VariableType::Text, null, null, null, [], null, null), ['1', '2', '3']],
            [new ExportedVariable('tag', VariableType::Id, null, null, null, [], null, null), ['7', '8', '9']],
            [new ExportedVariable('kg', VariableType::Number, 'kg', 'Weight', null, ['n/a'], null, null), ['1.50', '', '2.00']],
        ]);

        self::assertSame(
            [['temper', 'category', null, 'Temper', 'How they behave', ['lively', 'calm', 'never seen']], ['code', 'text', null, null, null, []], ['tag', 'id', null, null, null, []], ['kg', 'number', 'kg', 'Weight', null, ['1.50', '2.00']]],
            array_map(static fn(ReadVariable $variable): array => [$variable->name, $variable->type->value, $variable->unit, $variable->label, $variable->description, $variable->dictionary], $reading->variables),
        );
    }

    public function test_a_cell_that_could_not_be_read_goes_out_as_it_stands_and_never_as_a_formula(): void
    {
        $table = $this->table([[new ExportedVariable('kg', VariableType::Number, null, null, null, [], null, null), ['1', '=cmd|calc', '-2']]], [[1 => true]]);
        self::assertSame("\u{FEFF}kg\r\n1\r\n\"'=cmd|calc\"\r\n-2\r\n", $this->written(ExportFormat::Csv, $table));
        self::assertSame("[\n{\"kg\":1},\n{\"kg\":\"=cmd|calc\"},\n{\"kg\":-2}\n]\n", $this->written(ExportFormat::Json, $this->table([[new ExportedVariable('kg', VariableType::Number, null, null, null, [], null, null), ['1', '=cmd|calc', '-2']]], [[1 => true]])));
    }

    /**
     * @param list<array{ExportedVariable, list<string>}> $columns
     *
     * @return array{TableReading, list<list<string>>} and the cells by variable
     */
    private function through(ExportFormat $format, array $columns): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        file_put_contents($path, $this->written($format, $this->table($columns)));
        $table = PreparedTable::of($path, 'x.' . $format->extension(), new Decisions());
        $sink = new KeptColumns();
        $reading = (new ReadTable())->read(CsvFile::open($table->path, $table->decisions), $sink, static function (): void {}, $table->decisions);
        unlink($path);
        $cells = [];
        foreach ($reading->variables as $i => $variable) {
            $cells[] = array_merge(...array_map(static fn(EncodedCells $cells): array => ColumnCells::of($cells, $variable->dictionary, $variable->decimals), $sink->columns[$i]));
        }

        return [$reading, $cells];
    }

    /**
     * @param list<array{ExportedVariable, list<string>}> $columns
     * @param list<array<int, true>>|null                 $unread
     */
    private function table(array $columns, ?array $unread = null): ExportedTable
    {
        $cells = array_column($columns, 1);

        return new ExportedTable('Hives', null, null, array_column($columns, 0), count($cells[0]), [['cells' => $cells, 'unread' => $unread ?? array_fill(0, count($cells), []), 'rows' => count($cells[0])]]);
    }

    private function written(ExportFormat $format, ExportedTable $table): string
    {
        $out = fopen('php://temp', 'w+');
        $format->writer()->write($table, $out);
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /** A number without the zeros that only align it with the others. */
    private static function plain(string $number): string
    {
        return str_contains($number, '.') ? rtrim(rtrim($number, '0'), '.') : $number;
    }
}
