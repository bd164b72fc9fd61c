<?php

declare(strict_types=1);

namespace App\Export;

use App\Files\WholeFile;
use DateTimeImmutable;
use DateTimeZone;
use RowTally\Core\Parsing\VariableType;

/**
 * An Office Open XML workbook (ECMA-376 part 1) written in one pass: numbers as numbers, dates as dates, everything else as
 * inline texts, which no spreadsheet runs as a formula.
 */
final class XlsxWriter implements TableWriter
{
    private const MOST_ROWS = 1_048_575;
    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
    private const FIRST_SAFE_DATE = '1900-03-01';
    private const TEXT_LIMIT = 32_767;

    public function write(ExportedTable $table, $out): void
    {
        if ($table->rows > self::MOST_ROWS) {
            throw CannotExport::tooManyRows('XLSX', $table->rows, self::MOST_ROWS);
        }
        $head = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>' . "\n";
        ZipFile::write($out, [
            '[Content_Types].xml' => $head . '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/><Override PartName="/xl/worksheets/sheet2.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/><Override PartName="/xl/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml"/></Types>',
            '_rels/.rels' => $head . '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>',
            'xl/workbook.xml' => $head . '<workbook xmlns="' . self::MAIN . '" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="Rows" sheetId="1" r:id="rId1"/><sheet name="Variables" sheetId="2" r:id="rId2"/></sheets></workbook>',
            'xl/_rels/workbook.xml.rels' => $head . '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/><Relationship Id="rId2" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet2.xml"/><Relationship Id="rId3" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/styles" Target="styles.xml"/></Relationships>',
            'xl/styles.xml' => $head . '<styleSheet xmlns="' . self::MAIN . '"><numFmts count="1"><numFmt numFmtId="164" formatCode="yyyy\-mm\-dd\ hh:mm:ss"/></numFmts><fonts count="1"><font/></fonts><fills count="2"><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill></fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs count="3"><xf/><xf numFmtId="14" applyNumberFormat="1"/><xf numFmtId="164" applyNumberFormat="1"/></cellXfs></styleSheet>',
        ], [
            'xl/worksheets/sheet1.xml' => $this->sheet($head, [array_map(static fn(ExportedVariable $variable): string => $variable->header(), $table->variables)], $table),
            'xl/worksheets/sheet2.xml' => $this->sheet($head, VariableSheet::rows($table), null),
        ]);
    }

    /** @param list<list<string>> $texts rows of texts on top */
    private function sheet(string $head, array $texts, ?ExportedTable $table): string
    {
        $path = WholeFile::scratch();
        $out = fopen($path, 'w');
        if ($out === false) {
            throw new CannotExport('There is no room for the file.');
        }
        WholeFile::write($out, $head . '<worksheet xmlns="' . self::MAIN . '"><sheetData>');
        foreach ($texts as $row) {
            WholeFile::write($out, '<row>' . implode('', array_map(self::text(...), $row)) . '</row>');
        }
        foreach ($table->blocks ?? [] as $block) {
            $columns = [];
            foreach ($table->variables ?? [] as $i => $variable) {
                $columns[] = self::cells($block['cells'][$i], $block['unread'][$i], $variable->type);
            }
            $rows = '';
            for ($row = 0; $row < $block['rows']; ++$row) {
                $rows .= '<row>' . implode('', array_column($columns, $row)) . '</row>';
            }
            WholeFile::write($out, $rows);
        }
        WholeFile::write($out, '</sheetData></worksheet>');
        fclose($out);

        return $path;
    }

    /**
     * @param list<string>     $cells
     * @param array<int, true> $unread
     *
     * @return list<string>
     */
    private static function cells(array $cells, array $unread, VariableType $type): array
    {
        $written = [];
        foreach ($cells as $i => $cell) {
            $written[] = match (true) {
                $cell === '' => '<c/>',
                $type === VariableType::Number && !isset($unread[$i]) => "<c><v>{$cell}</v></c>",
                $type === VariableType::Date && !isset($unread[$i]) && $cell >= self::FIRST_SAFE_DATE => self::date($cell),
                default => self::text($cell),
            };
        }

        return $written;
    }

    private static function date(string $iso): string
    {
        $day = new DateTimeImmutable(substr($iso, 0, 10), new DateTimeZone('UTC'));
        $days = intdiv($day->getTimestamp() - (new DateTimeImmutable('1899-12-30', new DateTimeZone('UTC')))->getTimestamp(), 86400);
        if (strlen($iso) === 10) {
            return "<c s=\"1\"><v>{$days}</v></c>";
        }
        $seconds = (new DateTimeImmutable($iso, new DateTimeZone('UTC')))->getTimestamp() - $day->getTimestamp();

        return '<c s="2"><v>' . sprintf('%.10F', $days + $seconds / 86400) . '</v></c>';
    }

    private static function text(string $text): string
    {
        if ($text === '') {
            return '<c/>';
        }

        return '<c t="inlineStr"><is><t xml:space="preserve">' . XmlText::of(mb_strcut($text, 0, self::TEXT_LIMIT)) . '</t></is></c>';
    }
}
