<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Formats\PlainSheet;
use App\Intake\Formats\XlsxWorkbook;
use App\Intake\NotATable;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZipArchive;

/** A sheet that is read byte by byte says what its XML says: a comment before its rows has the same sheet read as XML. */
final class PlainSheetTest extends TestCase
{
    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
    private const SHARED = ['calm', 'a &amp; b', ' blank ', ''];

    /** @return iterable<string, array{string, bool}> rows, and whether they are plain */
    public static function sheets(): iterable
    {
        yield 'as a spreadsheet writes them' => ['<row r="1" spans="1:3" x14ac:dyDescent="0.25"><c r="A1" t="s"><v>0</v></c><c r="B1" s="1"><v>46102</v></c></row>' . "\n" . '<row r="2" customFormat="false" ht="12.8"><c r="A2" s="0" t="s"><v>1</v></c><c r="C2" t="n"><v>0.1</v></c></row>', true];
        yield 'without references' => ['<row><c t="inlineStr"><is><t xml:space="preserve"> x &lt;b&gt; &#10;y &amp;amp; </t></is></c><c/><c><v>3.0000000000000004</v></c></row><row/><row></row><row><c t="b"><v>1</v></c></row>', true];
        yield 'formulas' => ['<row><c r="A1"><f>1+1</f><v>2</v></c><c r="B1" t="str"><f aca="false">A1&amp;"x"</f><v>2x</v></c><c r="C1"><f>9</f></c><c r="D1"><f t="shared" si="0"/><v>7</v></c><c r="E1" t="e"><f>1/0</f><v>#DIV/0!</v></c></row>', true];
        yield 'cells without anything' => ['<row r="4"><c r="A4" s="1"/><c r="B4" t="s"/><c r="C4"></c><c r="D4" t="b"/></row><row r="9"><c r="B9"><v>1</v></c></row>', true];
        yield 'other alphabets' => ['<row><c t="inlineStr"><is><t>שלום ümläut 🐝</t></is></c></row>', true];
        yield 'a date of its own kind' => ['<row><c r="A1" t="d"><v>2026-03-21T00:00:00Z</v></c></row>', true];
        yield 'nothing' => ['', true];
        yield 'a comment among the rows' => ['<row><c><v>1</v></c></row><!-- <row><c><v>2</v></c></row> --><row><c><v>3</v></c></row>', false];
        yield 'a section' => ['<row><c t="inlineStr"><is><t><![CDATA[<v>]]></t></is></c></row>', false];
        yield 'runs of letters and readings beside them' => ['<row><c><v>1</v></c></row><row><c t="inlineStr"><is><r><t>a</t></r><r><rPr><b/></rPr><t>b</t></r><rPh><t>no</t></rPh></is></c></row>', false];
        yield 'attributes in another order' => ['<row><c><v>1</v></c></row><row><c t="s" r="B2"><v>0</v></c></row>', false];
        yield 'cells that go back' => ['<row><c r="A1"><v>0</v></c></row><row><c r="C2"><v>3</v></c><c r="A2"><v>1</v></c></row>', true];
        yield 'line ends that XML makes others' => ["<row><c t=\"inlineStr\"><is><t>a\r\nb</t></is></c></row>", false];
        yield 'signs by their numbers' => ['<row><c t="inlineStr"><is><t>&#x41;&#128029;</t></is></c></row>', false];
        yield 'quotes of the other kind' => ["<row r='1'><c r='A1'><v>1</v></c></row>", false];
        yield 'more than text in a value' => ['<row><c><v>1</v><extLst><ext/></extLst></c></row>', false];
    }

    #[DataProvider('sheets')]
    public function test_it_says_what_the_xml_says(string $rows, bool $isPlain): void
    {
        $xml = self::sheet($rows);
        $reading = PlainSheet::rows(self::stream($xml));
        foreach ($reading as $row) {
            self::assertNotSame([], $row);
        }
        self::assertSame($isPlain, $reading->getReturn());
        self::assertSame(self::read(self::sheet($rows, '<!-- slowly -->')), self::read($xml));
    }

    public function test_random_sheets_say_the_same_both_ways(): void
    {
        mt_srand(2026);
        $shapes = array_filter(iterator_to_array(self::sheets()), static fn(array $sheet): bool => $sheet[0] !== '');
        for ($try = 0; $try < 60; ++$try) {
            $rows = '';
            for ($row = mt_rand(0, 40); $row > 0; --$row) {
                $rows .= mt_rand(0, 15) === 0 ? preg_replace('/ r=["\'][A-Z]*[0-9]+["\']/', '', $shapes[array_rand($shapes)][0]) : self::randomRow();
            }
            self::assertSame(self::read(self::sheet($rows, '<!-- slowly -->')), self::read(self::sheet($rows)), $rows);
        }
    }

    /** @return iterable<string, array{string}> */
    public static function broken(): iterable
    {
        $row = '<row><c><v>1</v></c></row>';
        yield 'it ends in the middle' => [self::sheet("{$row}<row><c><v>1</", ends: '')];
        yield 'a sign that no XML has' => [self::sheet("{$row}<row><c t=\"inlineStr\"><is><t>a\x01b</t></is></c></row>")];
        yield 'no letters of UTF-8' => [self::sheet("{$row}<row><c t=\"inlineStr\"><is><t>a\xFFb</t></is></c></row>")];
        yield 'an entity of its own' => [self::sheet("{$row}<row><c t=\"inlineStr\"><is><t>&own;</t></is></c></row>")];
        yield 'a document type' => ['<!DOCTYPE worksheet [<!ENTITY own "x">]>' . self::sheet($row)];
        yield 'tags that cross' => [self::sheet("{$row}<row><c><v>1</c></v></row>")];
    }

    #[DataProvider('broken')]
    public function test_what_is_broken_is_refused_as_xml(string $xml): void
    {
        $this->expectException(NotATable::class);
        self::read($xml);
    }

    public function test_blocks_end_anywhere(): void
    {
        $rows = implode('', array_map(static fn(int $row): string => "<row r=\"{$row}\"><c r=\"A{$row}\"><v>{$row}</v></c><c r=\"B{$row}\" t=\"inlineStr\"><is><t>" . str_repeat('ü', $row % 400) . '</t></is></c></row>', range(1, 3000)));
        [$read] = self::read(self::sheet($rows));
        self::assertCount(3000, $read);
        self::assertSame(['2999', str_repeat('ü', 2999 % 400)], $read[2999]);
    }

    private static function randomRow(): string
    {
        $cells = '';
        for ($cell = mt_rand(0, 6); $cell > 0; --$cell) {
            $number = mt_rand(-5000, 5000) / [1, 3, 10, 1000][mt_rand(0, 3)];
            $cells .= [
                "<c><v>{$number}</v></c>", '<c/>', '<c t="s"><v>' . mt_rand(0, 5) . '</v></c>', "<c s=\"1\"><v>{$number}</v></c>", '<c t="inlineStr"><is><t>x' . mt_rand(0, 9) . ' &gt;</t></is></c>',
                "<c t=\"b\"><v>{$cell}</v></c>", "<c><f>A1</f><v>{$number}</v></c>", "<c s=\"2\"><v>{$number}</v></c>", '<c><f>A2</f></c>', '<c t="str"><v> a </v></c>',
            ][mt_rand(0, 9)];
        }

        return mt_rand(0, 9) === 0 ? '<row/>' : "<row>{$cells}</row>";
    }

    private static function sheet(string $rows, string $before = '', string $ends = '</sheetData></worksheet>'): string
    {
        return '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>' . "\r\n" . '<worksheet xmlns="' . self::MAIN . '" xmlns:x14ac="urn:x" xmlns:r="urn:r"><dimension ref="A1:C9"/><cols><col min="1" max="1"/></cols>' . "{$before}<sheetData>{$rows}{$ends}";
    }

    /** @return resource */
    private static function stream(string $text)
    {
        $stream = fopen('php://memory', 'w+');
        assert($stream !== false);
        fwrite($stream, $text);
        rewind($stream);

        return $stream;
    }

    /** @return array{array<int, list<string>>, list<string>} rows and remarks */
    private static function read(string $sheet): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'plain');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE);
        $zip->addFromString('xl/_rels/workbook.xml.rels', '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="x" Target="worksheets/sheet1.xml"/></Relationships>');
        $zip->addFromString('xl/workbook.xml', '<workbook xmlns="' . self::MAIN . '" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="Rows" sheetId="1" r:id="rId1"/></sheets></workbook>');
        $zip->addFromString('xl/styles.xml', '<styleSheet xmlns="' . self::MAIN . '"><cellXfs count="3"><xf/><xf numFmtId="14"/><xf numFmtId="46"/></cellXfs></styleSheet>');
        $zip->addFromString('xl/sharedStrings.xml', '<sst xmlns="' . self::MAIN . '">' . implode('', array_map(static fn(string $text): string => "<si><t>{$text}</t></si>", self::SHARED)) . '</sst>');
        $zip->addFromString('xl/worksheets/sheet1.xml', $sheet);
        $zip->close();
        try {
            $book = new XlsxWorkbook($path);

            return [iterator_to_array($book->rows('Rows')), $book->remarks()];
        } finally {
            unlink($path);
        }
    }
}
