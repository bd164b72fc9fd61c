<?php

declare(strict_types=1);

namespace App\Export;

use App\Files\WholeFile;
use RowTally\Core\Parsing\VariableType;

/** An OpenDocument spreadsheet (OASIS OpenDocument 1.3) written in one pass: numbers as numbers, dates as dates, all else as texts. */
final class OdsWriter implements TableWriter
{
    private const MOST_ROWS = 1_048_575;

    public function write(ExportedTable $table, $out): void
    {
        if ($table->rows > self::MOST_ROWS) {
            throw CannotExport::tooManyRows('ODS', $table->rows, self::MOST_ROWS);
        }
        $path = WholeFile::scratch();
        $content = fopen($path, 'w');
        if ($content === false) {
            throw new CannotExport('There is no room for the file.');
        }
        WholeFile::write($content, '<?xml version="1.0" encoding="UTF-8"?>' . "\n" . '<office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" office:version="1.3"><office:body><office:spreadsheet>');
        WholeFile::write($content, '<table:table table:name="Rows">' . self::texts(array_map(static fn(ExportedVariable $variable): string => $variable->header(), $table->variables)));
        foreach ($table->blocks as $block) {
            $columns = [];
            foreach ($table->variables as $i => $variable) {
                $columns[] = self::cells($block['cells'][$i], $block['unread'][$i], $variable->type);
            }
            $rows = '';
            for ($row = 0; $row < $block['rows']; ++$row) {
                $rows .= '<table:table-row>' . implode('', array_column($columns, $row)) . '</table:table-row>';
            }
            WholeFile::write($content, $rows);
        }
        WholeFile::write($content, '</table:table><table:table table:name="Variables">' . implode('', array_map(self::texts(...), VariableSheet::rows($table))) . '</table:table>');
        WholeFile::write($content, '</office:spreadsheet></office:body></office:document-content>');
        fclose($content);
        $type = ExportFormat::Ods->mediaType();
        ZipFile::write($out, [
            'mimetype' => $type,
            'META-INF/manifest.xml' => '<?xml version="1.0" encoding="UTF-8"?>' . "\n" . '<manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0" manifest:version="1.3"><manifest:file-entry manifest:full-path="/" manifest:media-type="' . $type . '"/><manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/></manifest:manifest>',
        ], ['content.xml' => $path], ['mimetype']);
    }

    /** @param list<string> $cells */
    private static function texts(array $cells): string
    {
        return '<table:table-row>' . implode('', array_map(self::text(...), $cells)) . '</table:table-row>';
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
                $cell === '' => '<table:table-cell/>',
                $type === VariableType::Number && !isset($unread[$i]) => "<table:table-cell office:value-type=\"float\" office:value=\"{$cell}\"><text:p>{$cell}</text:p></table:table-cell>",
                $type === VariableType::Date && !isset($unread[$i]) => "<table:table-cell office:value-type=\"date\" office:date-value=\"{$cell}\"><text:p>{$cell}</text:p></table:table-cell>",
                default => self::text($cell),
            };
        }

        return $written;
    }

    private static function text(string $text): string
    {
        if ($text === '') {
            return '<table:table-cell/>';
        }
        $lines = array_map(static fn(string $line): string => '<text:p>' . self::spaced($line) . '</text:p>', explode("\n", $text));

        return '<table:table-cell office:value-type="string">' . implode('', $lines) . '</table:table-cell>';
    }

    /** Blanks in a row, at an end, and tabs have elements of their own. */
    private static function spaced(string $line): string
    {
        $text = str_replace("\t", '<text:tab/>', XmlText::of($line));

        return preg_replace_callback('/^ +| +$|(?<= ) +/', static fn(array $blanks): string => '<text:s text:c="' . strlen($blanks[0]) . '"/>', $text) ?? $text;
    }
}
