<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Intake\ReadVariable;
use App\Intake\TableLook;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Marks\NumberMarks;

/** Nasty small files, each with what must come out of it; expected.json was written by hand beside them. */
final class CorpusTest extends TestCase
{
    private const FOLDER = __DIR__ . '/corpus/';

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function files(): iterable
    {
        foreach (json_decode((string) file_get_contents(self::FOLDER . 'expected.json'), true, flags: JSON_THROW_ON_ERROR) as $name => $expected) {
            yield $name => [$name, $expected];
        }
    }

    public function test_the_corpus_is_there(): void
    {
        self::assertGreaterThan(60, count(iterator_to_array(self::files())));
        self::assertSame(array_values(array_diff(scandir(self::FOLDER) ?: [], ['.', '..', 'expected.json'])), self::sorted(array_keys(iterator_to_array(self::files()))));
    }

    /** @param array<string, mixed> $expected */
    #[DataProvider('files')]
    public function test_every_file_is_read_or_refused_as_it_must_be(string $name, array $expected): void
    {
        try {
            [$reading, $rows] = $this->read($name);
        } catch (NotATable $notATable) {
            self::assertArrayHasKey('refused', $expected, $notATable->getMessage());
            self::assertStringStartsWith($expected['refused'], $notATable->getMessage());

            return;
        }
        self::assertArrayNotHasKey('refused', $expected, 'it must be refused');
        self::assertSame($expected['names'], array_map(static fn(ReadVariable $variable): string => $variable->name, $reading->variables));
        self::assertSame($expected['types'], array_map(static fn(ReadVariable $variable): string => $variable->type->value, $reading->variables));
        self::assertSame($expected['rows'], $rows);
        self::assertSame($expected['unread'], array_sum(array_map(static fn(ReadVariable $variable): int => $variable->unread, $reading->variables)));
        if (isset($expected['note'])) {
            self::assertContains($expected['note'], array_map((new NumberMarks())->read(...), $reading->notes));
        }
        // The look before shows as many cells that could not be read as the reading then finds.
        self::assertSame($expected['unread'], TableLook::at(self::FOLDER . $name, $name, new Decisions())->unreadCells);
    }

    /** @return array{\App\Intake\TableReading, list<list<string>>} */
    private function read(string $name): array
    {
        $table = PreparedTable::of(self::FOLDER . $name, $name, new Decisions());
        $sink = new KeptColumns();
        $reading = (new ReadTable())->read(CsvFile::open($table->path, $table->decisions), $sink, static function (): void {}, $table->decisions);
        $columns = [];
        foreach ($reading->variables as $i => $variable) {
            $columns[] = array_merge(...array_map(static fn(EncodedCells $cells): array => ColumnCells::of($cells, $variable->dictionary, $variable->decimals), $sink->columns[$i]));
        }

        return [$reading, array_map(static fn(int $row): array => array_column($columns, $row), array_keys($columns[0]))];
    }

    /**
     * @param list<string> $names
     *
     * @return list<string>
     */
    private static function sorted(array $names): array
    {
        sort($names);

        return $names;
    }
}
