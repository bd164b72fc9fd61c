<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\PreparedTable;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZipArchive;

/** Files made to take much for little: each is refused in words, soon, and leaves nothing. */
final class BoundedReadingTest extends TestCase
{
    private const SOON_SECONDS = 30.0;

    private string $path;

    protected function setUp(): void
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'bounded');
    }

    protected function tearDown(): void
    {
        unlink($this->path);
    }

    public function test_an_archive_that_says_too_little_of_its_length_is_not_believed(): void
    {
        $csv = "a,b\n" . str_repeat("1,2\n", 200_000);
        $this->zipped(['datapackage.json' => '{"resources":[{"name":"rows","path":"rows.csv"}]}', 'rows.csv' => $csv]);
        // The length in the list at the end of the archive is made 100 bytes, and that before the entry too.
        $bytes = (string) file_get_contents($this->path);
        file_put_contents($this->path, str_replace(pack('V', strlen($csv)), pack('V', 100), $bytes));

        $this->refused('x.zip', '/not as long as it says|cannot be unpacked/');
    }

    public function test_a_few_bytes_that_say_very_many_cells_are_not_believed(): void
    {
        $row = '<table:table-row table:number-rows-repeated="90000"><table:table-cell table:number-columns-repeated="900" office:value-type="float" office:value="1"/></table:table-row>';
        $this->zipped(['content.xml' => '<office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"><office:body><office:spreadsheet><table:table table:name="Rows">' . str_repeat($row, 20) . '</table:table></office:spreadsheet></office:body></office:document-content>']);

        $this->refused('x.ods', '/rows/');
    }

    /** @return iterable<string, array{string}> what stands in the sheet, a small pattern very many times */
    public static function heavy(): iterable
    {
        yield 'names of elements, each another' => [implode('', array_map(static fn(int $i): string => "<e{$i}/>", range(1, 1_500_000)))];
        yield 'one text without end' => ['<row r="1"><c r="A1" t="inlineStr"><is><t>' . str_repeat('xxxxxxxxxxxxxxxx', 4 << 20) . '</t></is></c></row>'];
        yield 'one inside the other' => [str_repeat('<a>', 200_000)];
    }

    #[DataProvider('heavy')]
    public function test_what_the_libraries_would_hold_without_end_is_bounded(string $inside): void
    {
        $this->zipped([
            'xl/_rels/workbook.xml.rels' => '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Target="worksheets/sheet1.xml"/></Relationships>',
            'xl/workbook.xml' => '<workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="S" r:id="r1"/></sheets></workbook>',
            'xl/worksheets/sheet1.xml' => "<worksheet xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\"><sheetData>{$inside}</sheetData></worksheet>",
        ]);
        $before = memory_get_usage();
        memory_reset_peak_usage();
        $this->refused('x.xlsx', '/./');
        self::assertLessThan(64 << 20, memory_get_peak_usage() - $before);
    }

    public function test_one_item_of_a_list_that_does_not_end_is_refused(): void
    {
        file_put_contents($this->path, '[{"a":"' . str_repeat('x', 6 << 20) . '"}]');

        $this->refused('x.json', '/one item is longer/');
    }

    public function test_an_object_of_lists_beyond_its_bound_is_refused_with_the_bound(): void
    {
        file_put_contents($this->path, '{"a":[' . substr(str_repeat('1,', 5 << 20), 0, -1) . ']}');

        $this->refused('x.json', '/larger than 8 MB/');
    }

    public function test_an_object_of_lists_just_within_it_is_read(): void
    {
        file_put_contents($this->path, '{"a":[' . substr(str_repeat('1,', (4 << 20) - 10), 0, -1) . ']}');
        $table = PreparedTable::of($this->path, 'x.json', new Decisions());

        self::assertSame(2 + 2 * ((4 << 20) - 10), filesize($table->path));
    }

    private function refused(string $name, string $why): void
    {
        $began = microtime(true);
        $copies = (array) glob(sys_get_temp_dir() . '/rowtally*');
        try {
            PreparedTable::of($this->path, $name, new Decisions());
            self::fail('It was read.');
        } catch (NotATable $notATable) {
            self::assertMatchesRegularExpression($why, $notATable->getMessage());
            self::assertNotSame('', $notATable->finding->remedy);
        }
        self::assertLessThan(self::SOON_SECONDS, microtime(true) - $began);
        // Tests beside this one have copies of their own, which go soon.
        $left = array_diff((array) glob(sys_get_temp_dir() . '/rowtally*'), $copies);
        for ($i = 0; $i < 600 && $left !== []; ++$i) {
            usleep(100_000);
            $left = array_filter($left, static fn(string|false $path): bool => file_exists((string) $path));
        }
        self::assertSame([], $left);
    }

    /** @param array<string, string> $entries */
    private function zipped(array $entries): void
    {
        $zip = new ZipArchive();
        $zip->open($this->path, ZipArchive::OVERWRITE);
        foreach ($entries as $name => $text) {
            $zip->addFromString($name, $text);
        }
        $zip->close();
    }
}
