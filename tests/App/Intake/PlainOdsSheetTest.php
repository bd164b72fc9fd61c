<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Formats\OdsWorkbook;
use App\Intake\Formats\PlainOdsSheet;
use App\Intake\NotATable;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZipArchive;

/** A table that is read byte by byte says what its XML says: a comment before it has the same one read as XML. */
final class PlainOdsSheetTest extends TestCase
{
    private const CELL = '<table:table-cell office:value-type="float" office:value="1"><text:p>1</text:p></table:table-cell>';
    private const ROW = '<table:table-row>' . self::CELL . '</table:table-row>';

    /** @return iterable<string, array{string, bool}> rows, and whether they are plain */
    public static function tables(): iterable
    {
        yield 'as an office writes them' => ['<office:forms form:automatic-focus="false"/><table:table-column table:style-name="co1" table:number-columns-repeated="3"/><table:table-row table:style-name="ro1"><table:table-cell table:style-name="ce1" office:value-type="string" calcext:value-type="string"><text:p>a &amp; b</text:p></table:table-cell><table:table-cell table:formula="of:=1+1" office:value-type="float" office:value="2" calcext:value-type="float"><text:p>2.0</text:p></table:table-cell></table:table-row>', true];
        yield 'every kind' => ['<table:table-row><table:table-cell office:value-type="percentage" office:value="0.5"><text:p>50 %</text:p></table:table-cell><table:table-cell office:value-type="currency" office:currency="EUR" office:value="3.0000000000000004"><text:p>3</text:p></table:table-cell><table:table-cell office:value-type="date" office:date-value="2026-03-21T00:00:00"><text:p>x</text:p></table:table-cell><table:table-cell office:value-type="time" office:time-value="PT30H15M00S"><text:p>x</text:p></table:table-cell><table:table-cell office:value-type="boolean" office:boolean-value="true"><text:p>x</text:p></table:table-cell><table:table-cell office:value-type="string" office:string-value="in&#10;full"><text:p>short</text:p></table:table-cell></table:table-row>', true];
        yield 'cells that repeat, and empty ones' => ['<table:table-row><table:table-cell table:number-columns-repeated="2"/><table:table-cell table:number-columns-repeated="3" office:value-type="float" office:value="7"><text:p>7</text:p></table:table-cell><table:covered-table-cell/></table:table-row><table:table-row/><table:table-row></table:table-row>' . self::ROW, true];
        yield 'several paragraphs' => ['<table:table-row><table:table-cell office:value-type="string"><text:p text:style-name="P1">a</text:p><text:p/><text:p> b </text:p></table:table-cell><table:table-cell><text:p></text:p></table:table-cell></table:table-row>', true];
        yield 'nothing' => ['<table:table-column/><table:table-row><table:table-cell/></table:table-row>', true];
        yield 'rows that repeat' => [self::ROW . '<table:table-row table:number-rows-repeated="3">' . self::CELL . '</table:table-row>' . self::ROW . '<table:table-row table:number-rows-repeated="1048000"><table:table-cell table:number-columns-repeated="1024"/></table:table-row>', true];
        yield 'heads of their own' => ['<table:table-header-rows>' . self::ROW . '</table:table-header-rows>' . self::ROW, false];
        yield 'blanks, links and parts of a paragraph' => [self::ROW . '<table:table-row><table:table-cell office:value-type="string"><text:p>a<text:s text:c="2"/>b<text:span text:style-name="T1">c</text:span></text:p></table:table-cell></table:table-row>', false];
        yield 'a remark beside a cell' => [self::ROW . '<table:table-row><table:table-cell office:value-type="float" office:value="2"><office:annotation><text:p>no</text:p></office:annotation><text:p>2</text:p></table:table-cell></table:table-row>', false];
        yield 'a comment' => [self::ROW . '<!-- ' . self::ROW . ' -->' . self::ROW, false];
        yield 'a table within the table' => ['<table:table-row><table:table-cell office:value-type="string"><text:p>out</text:p></table:table-cell></table:table-row><table:table-row><table:table-cell><table:table table:name="Inner" table:is-sub-table="true">' . self::ROW . '</table:table></table:table-cell></table:table-row>', false];
        yield 'attributes over two lines' => ["<table:table-row><table:table-cell office:value-type=\"string\" office:string-value=\"a\nb\"><text:p>x</text:p></table:table-cell></table:table-row>", false];
    }

    #[DataProvider('tables')]
    public function test_it_says_what_the_xml_says(string $rows, bool $isPlain): void
    {
        $stream = fopen('php://memory', 'w+');
        assert($stream !== false);
        fwrite($stream, self::content($rows));
        rewind($stream);
        $reading = PlainOdsSheet::rows($stream, 'Rows & more');
        foreach ($reading as $row) {
            self::assertGreaterThan(0, $row['repeats']);
        }
        self::assertSame($isPlain, $reading->getReturn());
        self::assertSame(self::read(self::content($rows, '<!-- slowly -->')), self::read(self::content($rows)));
    }

    public function test_random_tables_say_the_same_both_ways(): void
    {
        mt_srand(2026);
        $shapes = array_map(static fn(array $table): string => (string) preg_replace('~^(?:<office:forms[^>]*>|<table:table-column[^>]*>)+~', '', $table[0]), iterator_to_array(self::tables()));
        unset($shapes['a table within the table']);
        for ($try = 0; $try < 60; ++$try) {
            $rows = '';
            for ($row = mt_rand(0, 25); $row > 0; --$row) {
                $rows .= mt_rand(0, 20) === 0 ? $shapes[array_rand($shapes)] : '<table:table-row>' . str_repeat(self::CELL, mt_rand(0, 3)) . '<table:table-cell office:value-type="string"><text:p>x' . mt_rand(0, 9) . '</text:p></table:table-cell></table:table-row>';
            }
            self::assertSame(self::read(self::content($rows, '<!-- slowly -->')), self::read(self::content($rows)), $rows);
        }
    }

    public function test_a_table_within_a_sheet_is_no_sheet(): void
    {
        $rows = '<table:table-row><table:table-cell><table:table table:name="Inner">' . self::ROW . '</table:table></table:table-cell></table:table-row>';
        self::assertSame(['Cover', 'Rows & more', 'Behind'], self::book(self::content($rows), static fn(OdsWorkbook $book): array => $book->sheets()));
    }

    public function test_blocks_end_anywhere(): void
    {
        $rows = implode('', array_map(static fn(int $row): string => '<table:table-row><table:table-cell office:value-type="string"><text:p>' . str_repeat('ü', $row % 300) . "{$row}</text:p></table:table-cell></table:table-row>", range(1, 3000)));
        [$sheets, $read] = self::read(self::content($rows));
        self::assertSame(['Cover', 'Rows & more', 'Behind'], $sheets);
        self::assertCount(3000, $read);
        self::assertSame([str_repeat('ü', 299) . '2999'], $read[2999]);
    }

    /** @return iterable<string, array{string}> */
    public static function broken(): iterable
    {
        yield 'it ends in the middle' => [substr(self::content(self::ROW), 0, -160)];
        yield 'a sign that no XML has' => [self::content(self::ROW . "<table:table-row><table:table-cell><text:p>\x02</text:p></table:table-cell></table:table-row>")];
        yield 'an entity of its own' => [self::content(self::ROW . '<table:table-row><table:table-cell><text:p>&own;</text:p></table:table-cell></table:table-row>')];
        yield 'tags that cross' => [self::content(self::ROW . '<table:table-row><table:table-cell><text:p>1</table:table-cell></text:p></table:table-row>')];
    }

    #[DataProvider('broken')]
    public function test_what_is_broken_is_refused_as_xml(string $content): void
    {
        $this->expectException(NotATable::class);
        self::read($content);
    }

    private static function content(string $rows, string $before = ''): string
    {
        return '<?xml version="1.0" encoding="UTF-8"?>' . "\n" . '<office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:calcext="urn:c" xmlns:form="urn:f" office:version="1.3"><office:body><office:spreadsheet>'
            . '<table:table table:name="Cover"><table:table-row><table:table-cell/></table:table-row></table:table>' . $before
            . "<table:table table:name=\"Rows &amp; more\" table:style-name=\"ta1\">{$rows}</table:table>"
            . '<table:table table:name="Behind">' . self::ROW . '</table:table></office:spreadsheet></office:body></office:document-content>';
    }

    /** @return array{list<string>, array<int, list<string>>} sheets and rows */
    private static function read(string $content): array
    {
        return self::book($content, static fn(OdsWorkbook $book): array => [$book->sheets(), iterator_to_array($book->rows('Rows & more'))]);
    }

    /**
     * @template T
     *
     * @param callable(OdsWorkbook): T $use
     *
     * @return T
     */
    private static function book(string $content, callable $use): mixed
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'plain');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE);
        $zip->addFromString('content.xml', $content);
        $zip->close();
        try {
            return $use(new OdsWorkbook($path));
        } finally {
            unlink($path);
        }
    }
}
