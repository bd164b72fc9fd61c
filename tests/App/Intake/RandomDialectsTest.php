<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Intake\ReadVariable;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;

/** A table written in any dialect comes in as the same table. */
final class RandomDialectsTest extends TestCase
{
    use TestTrait;

    private const WORDS = ['Alder Wick', 'Brook', 'ümläut', '東京', "O'Hara", 'a|b', 'to be, or not', 'semi; colon', 'calm'];

    private string $path = '';

    protected function tearDown(): void
    {
        if ($this->path !== '') {
            @unlink($this->path);
        }
    }

    public function test_a_table_is_recognised_in_every_dialect(): void
    {
        $this->limitTo(150)->forAll(Generators::choose(1, 1_000_000))->then(function (int $seed): void {
            mt_srand($seed);
            $rows = [];
            for ($i = 0, $n = mt_rand(8, 60); $i < $n; ++$i) {
                $rows[] = [
                    'H-' . (100 + $i),
                    self::WORDS[mt_rand(0, 3)],
                    mt_rand(0, 8) === 0 ? null : mt_rand(-400, 9000) / 4,
                    mt_rand(0, 3000),
                    self::WORDS[mt_rand(0, count(self::WORDS) - 1)] . " {$i}",
                ];
            }
            $delimiter = [',', ';', "\t", '|'][mt_rand(0, 3)];
            $mark = $delimiter === ',' ? '.' : ['.', ','][mt_rand(0, 1)];
            $break = ["\n", "\r\n"][mt_rand(0, 1)];
            $quotesAll = mt_rand(0, 2) === 0;
            $title = mt_rand(0, 3) === 0 ? "Spring inspection{$break}{$break}" : '';
            $encoding = ['UTF-8', 'UTF-8 with mark', 'UTF-16LE'][mt_rand(0, 2)];
            $write = static function (array $cells) use ($delimiter, $mark, $break, $quotesAll): string {
                $texts = array_map(static function (mixed $cell) use ($delimiter, $mark, $quotesAll): string {
                    $text = is_float($cell) ? number_format($cell, 2, $mark, '') : (is_int($cell) || is_string($cell) ? (string) $cell : '');

                    return $quotesAll || strpbrk($text, "{$delimiter}\"\n") !== false ? '"' . str_replace('"', '""', $text) . '"' : $text;
                }, $cells);

                return implode($delimiter, $texts) . $break;
            };
            $text = $title . $write(['Tag', 'Apiary', 'Weight (kg)', 'Mites', 'Note']) . implode('', array_map($write, $rows));
            $bytes = match ($encoding) {
                'UTF-8' => $text,
                'UTF-8 with mark' => "\u{FEFF}{$text}",
                default => "\xFF\xFE" . mb_convert_encoding($text, 'UTF-16LE', 'UTF-8'),
            };
            $said = json_encode([$seed, $delimiter, $mark, $break, $quotesAll, $title !== '', $encoding], JSON_THROW_ON_ERROR);

            [$names, $units, $cells] = $this->read($bytes);
            self::assertSame(['Tag', 'Apiary', 'Weight', 'Mites', 'Note'], $names, $said);
            self::assertSame('kg', $units[2], $said);
            self::assertSame(array_column($rows, 0), $cells[0], $said);
            self::assertSame(array_column($rows, 1), $cells[1], $said);
            self::assertEquals(array_map(static fn(int|float|null $value): ?float => $value === null ? null : (float) $value, array_column($rows, 2)), array_map(static fn(string $cell): ?float => $cell === '' ? null : (float) $cell, $cells[2]), $said);
            self::assertSame(array_map(strval(...), array_column($rows, 3)), $cells[3], $said);
            self::assertSame(array_column($rows, 4), $cells[4], $said);
        });
    }

    /** @return array{list<string>, list<string|null>, list<list<string>>} names, units and cells by column */
    private function read(string $bytes): array
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        file_put_contents($this->path, $bytes);
        $table = PreparedTable::of($this->path, 'hives.csv', new Decisions());
        $sink = new KeptColumns();
        $reading = (new ReadTable())->read(CsvFile::open($table->path, $table->decisions), $sink, static function (): void {}, $table->decisions);
        unlink($this->path);
        $cells = [];
        foreach ($reading->variables as $i => $variable) {
            $cells[] = array_merge(...array_map(static fn(EncodedCells $chunk): array => ColumnCells::of($chunk, $variable->dictionary, $variable->decimals), $sink->columns[$i]));
        }

        return [
            array_map(static fn(ReadVariable $variable): string => $variable->name, $reading->variables),
            array_map(static fn(ReadVariable $variable): ?string => $variable->unit, $reading->variables),
            $cells,
        ];
    }
}
