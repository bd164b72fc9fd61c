<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Intake\NotATable;
use Generator;
use XMLReader;

/**
 * Reads the cells of an OpenDocument spreadsheet (OASIS OpenDocument 1.3, part 3) in one streaming pass: values as they are
 * stored, dates as ISO 8601, the last result of formulas.
 *
 * @phpstan-import-type SaidCell from PlainOdsSheet
 */
final class OdsWorkbook implements Workbook
{
    /** Cells that are only said to repeat, in all: a few bytes can say millions. */
    private const MOST_REPEATED_CELLS = 2_000_000;

    private readonly Archive $archive;
    /** @var list<string>|null */
    private ?array $sheets = null;

    public function __construct(string $path)
    {
        $this->archive = Archive::open($path);
    }

    public function remarks(): array
    {
        return [];
    }

    public function sheets(): array
    {
        if ($this->sheets === null) {
            $plain = PlainOdsSheet::tables($this->archive->stream('content.xml'));
            if ($plain !== null) {
                return $this->sheets = array_map(static fn(?string $name, int $place): string => $name ?? 'Sheet ' . ($place + 1), $plain, array_keys($plain));
            }
            $sheets = [];
            $reader = $this->archive->xml('content.xml');
            // What is in a sheet is passed over; a table within one is none.
            for ($goesOn = Xml::read($reader); $goesOn; $goesOn = Xml::read($reader, isPast: $isSheet)) {
                $isSheet = $reader->nodeType === XMLReader::ELEMENT && $reader->name === 'table:table';
                if ($isSheet) {
                    $sheets[] = $reader->getAttribute('table:name') ?? 'Sheet ' . (count($sheets) + 1);
                }
            }
            $this->sheets = $sheets === [] ? throw NotATable::damaged('the workbook has no sheet') : $sheets;
        }

        return $this->sheets;
    }

    public function rows(string $sheet): Generator
    {
        $place = array_search($sheet, $this->sheets(), true);
        if ($place === false) {
            throw NotATable::noSheet($sheet, $this->sheets());
        }
        $plain = PlainOdsSheet::rows($this->archive->stream('content.xml'), $sheet);
        $number = 0;
        foreach ($plain as ['repeats' => $repeats, 'cells' => $cells]) {
            $row = $this->plainRow($cells);
            $isEmpty = $row !== null && implode('', $row) === '';
            // Only nothing repeats often; what does otherwise is bounded below.
            if ($row === null || (!$isEmpty && ($repeats > 1 || $number >= self::MOST_ROWS))) {
                break;
            }
            $number += $repeats;
            if (!$isEmpty) {
                yield $number => $row;
            }
        }
        if (!$plain->valid() && $plain->getReturn()) {
            return;
        }
        // Something else is in it: all of it is read again as XML, and what was told is passed over.
        yield from $this->rowsOfXml($place, $number);
    }

    /**
     * @param list<string|SaidCell> $cells
     *
     * @return list<string>|null null where it is too wide
     */
    private function plainRow(array $cells): ?array
    {
        $row = [];
        foreach ($cells as $cell) {
            if (is_string($cell)) {
                $row[] = $cell;
                continue;
            }
            ['attributes' => $attributes, 'text' => $text] = $cell;
            $told = self::stated(static fn(string $name): ?string => $attributes[$name] ?? null) ?? $text;
            $repeats = max(1, (int) ($attributes['table:number-columns-repeated'] ?? '1'));
            if (count($row) + $repeats > self::MOST_COLUMNS) {
                return null;
            }
            for ($i = 0; $i < $repeats; ++$i) {
                $row[] = $told;
            }
        }

        return count($row) > self::MOST_COLUMNS ? null : $row;
    }

    /**
     * @param int $known rows up to this number have been told
     *
     * @return Generator<int, list<string>>
     */
    private function rowsOfXml(int $place, int $known): Generator
    {
        $reader = $this->archive->xml('content.xml');
        $tables = -1;
        $depth = null;
        $number = $repeated = $others = 0;
        $row = [];
        $repeats = 1;
        while (Xml::read($reader)) {
            if ($reader->nodeType === XMLReader::ELEMENT && $reader->name === 'table:table' && $reader->depth <= ($depth ??= $reader->depth)) {
                ++$tables;
            }
            if ($tables !== $place) {
                if ($tables > $place) {
                    break;
                }
                continue;
            }
            if ($reader->nodeType === XMLReader::ELEMENT && $reader->name === 'table:table-row') {
                $row = [];
                $repeats = max(1, (int) $reader->getAttribute('table:number-rows-repeated'));
                if ($reader->isEmptyElement) {
                    $number += $repeats;
                }
            } elseif ($reader->nodeType === XMLReader::ELEMENT && in_array($reader->name, ['table:table-cell', 'table:covered-table-cell'], true)) {
                $row = $this->withCell($row, $reader);
            } elseif ($reader->nodeType === XMLReader::ELEMENT && ++$others > Xml::MOST_OTHERS) {
                throw NotATable::damaged('its sheet holds more of what is no cell than any sheet does');
            } elseif ($reader->nodeType === XMLReader::END_ELEMENT && $reader->name === 'table:table-row') {
                if (implode('', $row) === '') {
                    $number += $repeats;
                    continue;
                }
                $repeated += ($repeats - 1) * count($row);
                if ($repeated > self::MOST_REPEATED_CELLS || $number + $repeats > self::MOST_ROWS) {
                    throw NotATable::tooManyRows($number + $repeats, self::MOST_ROWS);
                }
                for ($i = 0; $i < $repeats; ++$i) {
                    if (++$number > $known) {
                        yield $number => $row;
                    }
                }
            }
        }
    }

    /**
     * @param list<string> $row
     *
     * @return list<string>
     */
    private function withCell(array $row, XMLReader $reader): array
    {
        $repeats = max(1, (int) $reader->getAttribute('table:number-columns-repeated'));
        $text = $this->cell($reader);
        $columns = count($row) + $repeats;
        if ($columns > self::MOST_COLUMNS) {
            if ($text !== '') {
                throw NotATable::tooManyColumns($columns, self::MOST_COLUMNS);
            }

            return $row;
        }
        for ($i = 0; $i < $repeats; ++$i) {
            $row[] = $text;
        }

        return $row;
    }

    private function cell(XMLReader $reader): string
    {
        $stated = self::stated($reader->getAttribute(...));
        $text = $this->paragraphs($reader);

        return $stated ?? $text;
    }

    /** @param callable(string): ?string $attribute of a cell, by name */
    private static function stated(callable $attribute): ?string
    {
        return match ($attribute('office:value-type')) {
            'float', 'percentage', 'currency' => XlsxWorkbook::number($attribute('office:value') ?? ''),
            'date' => preg_replace('/T00:00:00$/', '', $attribute('office:date-value') ?? '') ?? '',
            'time' => self::time($attribute('office:time-value') ?? ''),
            'boolean' => $attribute('office:boolean-value') === 'true' ? 'TRUE' : 'FALSE',
            'string' => $attribute('office:string-value'),
            default => null,
        };
    }

    /** A time of the day as it is, a longer duration in hours; null where it is neither. */
    private static function time(string $stated): ?string
    {
        if (preg_match('/^PT(\d{1,7})H(\d{1,2})M(\d{1,2})(?:[.,]\d+)?S$/', $stated, $part) !== 1) {
            return null;
        }
        [$hours, $minutes, $seconds] = [(int) $part[1], (int) $part[2], (int) $part[3]];
        if ($hours < 24) {
            return sprintf('%02d:%02d', $hours, $minutes) . ($seconds === 0 ? '' : sprintf(':%02d', $seconds));
        }

        return rtrim(rtrim(number_format($hours + $minutes / 60 + $seconds / 3600, 6, '.', ''), '0'), '.');
    }

    private function paragraphs(XMLReader $reader): string
    {
        if ($reader->isEmptyElement) {
            return '';
        }
        $depth = $reader->depth;
        $paragraphs = [];
        $isNote = false;
        while (Xml::inside($reader, $depth)) {
            if ($reader->name === 'office:annotation') {
                $isNote = $reader->nodeType === XMLReader::ELEMENT && !$reader->isEmptyElement;
            } elseif (!$isNote && $reader->nodeType === XMLReader::ELEMENT && $reader->name === 'text:p') {
                $paragraphs[] = $this->paragraph($reader);
            }
        }

        return implode("\n", $paragraphs);
    }

    private function paragraph(XMLReader $reader): string
    {
        if ($reader->isEmptyElement) {
            return '';
        }
        $depth = $reader->depth;
        $text = '';
        while (Xml::inside($reader, $depth)) {
            $text .= match (true) {
                $reader->nodeType !== XMLReader::ELEMENT => $reader->nodeType === XMLReader::TEXT || $reader->nodeType === XMLReader::SIGNIFICANT_WHITESPACE ? $reader->value : '',
                $reader->name === 'text:s' => str_repeat(' ', min(1000, max(1, (int) $reader->getAttribute('text:c')))),
                $reader->name === 'text:tab' => "\t",
                $reader->name === 'text:line-break' => "\n",
                default => '',
            };
        }

        return $text;
    }
}
