<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Intake\NotATable;
use Generator;
use RowTally\Core\Marks\NumberMarks;
use SimpleXMLElement;
use XMLReader;

/**
 * Reads the cells of an Office Open XML workbook (ECMA-376 part 1, SpreadsheetML) in one streaming pass: values as they are
 * stored, dates as ISO 8601, the last result of formulas. Macros and links are never looked at.
 */
final class XlsxWorkbook implements Workbook
{
    private const DAY_SECONDS = 86400;
    private const BUILT_IN_DATES = [14, 15, 16, 17, 18, 19, 20, 21, 22, 45, 47];
    private const BUILT_IN_DURATION = 46;
    /** A duration is a number of days; its format says in what it is told. */
    private const IN_A_DAY = ['h' => 24, 'm' => 1440, 's' => 86400];
    private const DURATION_DECIMALS = 6;
    /** The calendar of workbooks has a 29 February 1900, day 60, which there never was. */
    private const LEAP_DAY_THAT_NEVER_WAS = 60;
    private const EPOCH = '1899-12-30';
    private const EPOCH_1904 = '1904-01-01';
    private const MOST_SHARED_BYTES = 160 << 20;

    private readonly Archive $archive;
    /** @var array<string, string> sheet => part */
    private array $parts = [];
    private bool $counts1904 = false;
    /** Formulas whose result the file does not hold, among the rows that were read. */
    private int $formulasWithoutValue = 0;
    /** @var list<string>|null */
    private ?array $shared = null;
    /** @var list<string>|null what cells of a style are */
    private ?array $dates = null;

    public function __construct(string $path)
    {
        $this->archive = Archive::open($path);
        $targets = [];
        foreach ($this->tree('xl/_rels/workbook.xml.rels')->children() as $relation) {
            $target = (string) $relation['Target'];
            $targets[(string) $relation['Id']] = str_starts_with($target, '/') ? substr($target, 1) : "xl/{$target}";
        }
        $book = $this->tree('xl/workbook.xml');
        $main = $book->getNamespaces()[''] ?? '';
        $root = $book->children($main);
        $this->counts1904 = in_array((string) ($root->workbookPr->attributes()['date1904'] ?? ''), ['1', 'true'], true);
        foreach ($root->sheets->children($main) as $sheet) {
            foreach ($sheet->getNamespaces(true) + ['r' => 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'] as $namespace) {
                $part = $targets[(string) ($sheet->attributes($namespace)['id'] ?? '')] ?? null;
                if ($part !== null && $this->archive->has($part)) {
                    $this->parts[(string) $sheet->attributes()['name']] = $part;
                    break;
                }
            }
        }
        if ($this->parts === []) {
            throw NotATable::damaged('the workbook has no sheet');
        }
    }

    public function remarks(): array
    {
        return $this->formulasWithoutValue === 0 ? [] : [($this->formulasWithoutValue === 1 ? 'One formula has' : NumberMarks::count($this->formulasWithoutValue) . ' formulas have') . ' no result stored in the file and count as missing. Open the workbook in the program it came from, let it reckon, and save it.'];
    }

    public function sheets(): array
    {
        return array_map(strval(...), array_keys($this->parts));
    }

    public function rows(string $sheet): Generator
    {
        $part = $this->parts[$sheet] ?? throw NotATable::noSheet($sheet, $this->sheets());
        $before = $this->formulasWithoutValue;
        $known = 0;
        $plain = PlainSheet::rows($this->archive->stream($part));
        $number = 0;
        foreach ($plain as ['number' => $stated, 'cells' => $cells]) {
            $number = $stated ?? $number + 1;
            $row = $number > self::MOST_ROWS ? null : $this->plainRow($cells);
            if ($row === null) {
                break;
            }
            ++$known;
            if (implode('', $row) !== '') {
                yield $number => $row;
            }
        }
        if (!$plain->valid() && $plain->getReturn()) {
            return;
        }
        // Something else is in it: all of it is read again as XML, and what was told is passed over.
        $this->formulasWithoutValue = $before;
        yield from $this->rowsOfXml($part, $known);
    }

    /**
     * @param list<array{letters: string, style: string, kind: string, isFormula: bool, value: string, text: string}> $cells
     *
     * @return list<string>|null null where they do not stand one behind the other, or too far to the right
     */
    private function plainRow(array $cells): ?array
    {
        $row = [];
        foreach ($cells as ['letters' => $letters, 'style' => $style, 'kind' => $kind, 'isFormula' => $isFormula, 'value' => $value, 'text' => $text]) {
            $place = $letters === '' ? count($row) : self::column($letters) - 1;
            if ($place < count($row) || $place >= self::MOST_COLUMNS) {
                return null;
            }
            while (count($row) < $place) {
                $row[] = '';
            }
            $row[] = $this->told($kind === '' ? 'n' : $kind, (int) $style, $text === '' ? $value : $text, $isFormula);
        }

        return $row;
    }

    /**
     * @param int $known so many rows, empty ones too, have been told
     *
     * @return Generator<int, list<string>>
     */
    private function rowsOfXml(string $part, int $known): Generator
    {
        $reader = $this->archive->xml($part);
        $row = [];
        $number = $others = $rows = 0;
        while (Xml::read($reader)) {
            if ($reader->nodeType === XMLReader::ELEMENT && $reader->localName === 'row') {
                ++$rows;
                $stated = $reader->getAttribute('r');
                $number = ctype_digit($stated ?? '') ? (int) $stated : $number + 1;
                $row = [];
                if ($number > self::MOST_ROWS) {
                    throw NotATable::tooManyRows($number, self::MOST_ROWS);
                }
            } elseif ($reader->nodeType === XMLReader::ELEMENT && $reader->localName !== 'c') {
                if (++$others > Xml::MOST_OTHERS) {
                    throw NotATable::damaged('its sheet holds more of what is no cell than any sheet does');
                }
            } elseif ($reader->nodeType === XMLReader::ELEMENT) {
                $place = self::place($reader->getAttribute('r'), count($row));
                if ($place >= self::MOST_COLUMNS) {
                    // Far to the right of any table: only an entry there would matter.
                    if ($this->cell($reader) !== '') {
                        throw NotATable::tooManyColumns($place + 1, self::MOST_COLUMNS);
                    }
                    continue;
                }
                while (count($row) < $place) {
                    $row[] = '';
                }
                $row[$place] = $this->cell($reader);
            } elseif ($reader->nodeType === XMLReader::END_ELEMENT && $reader->localName === 'row' && implode('', $row) !== '') {
                if ($rows > $known) {
                    yield $number => array_values($row);
                }
                $row = [];
            } elseif ($reader->nodeType === XMLReader::END_ELEMENT && $reader->localName === 'sheetData') {
                break;
            }
        }
    }

    /** The place of a cell from its reference ("C7" is 2), or the next one where there is none. */
    private static function place(?string $reference, int $next): int
    {
        if ($reference === null || preg_match('/^([A-Z]{1,3})[0-9]/', $reference, $part) !== 1) {
            return $next;
        }

        return self::column($part[1]) - 1;
    }

    /** "A" is 1, "AA" is 27. */
    public static function column(string $letters): int
    {
        $column = 0;
        foreach (str_split($letters) as $letter) {
            $column = 26 * $column + ord($letter) - 64;
        }

        return $column;
    }

    private function cell(XMLReader $reader): string
    {
        $kind = $reader->getAttribute('t') ?? 'n';
        $style = (int) ($reader->getAttribute('s') ?? '0');
        if ($reader->isEmptyElement) {
            return '';
        }
        $depth = $reader->depth;
        $value = '';
        $isFormula = false;
        while (Xml::inside($reader, $depth)) {
            if ($reader->nodeType === XMLReader::ELEMENT && $reader->localName === 'f') {
                $isFormula = true;
            } elseif ($reader->nodeType === XMLReader::ELEMENT && $reader->localName === 'v') {
                $value = Xml::text($reader);
            } elseif ($reader->nodeType === XMLReader::ELEMENT && $reader->localName === 'is') {
                $value = Xml::text($reader, 'rPh');
            }
        }

        return $this->told($kind, $style, $value, $isFormula);
    }

    private function told(string $kind, int $style, string $value, bool $isFormula): string
    {
        if ($isFormula && $value === '') {
            ++$this->formulasWithoutValue;
        }

        return match ($kind) {
            's' => $this->sharedText((int) $value),
            'b' => $value === '1' ? 'TRUE' : 'FALSE',
            'd' => rtrim(preg_replace('/T00:00:00(?:\.0+)?Z?$/', '', $value) ?? $value, 'Z'),
            'n' => $value === '' ? '' : $this->shown($value, $this->meaning($style)),
            default => $value,
        };
    }

    /** Doubles are stored with 17 digits; the sheet shows and means 15. */
    public static function number(string $value): string
    {
        if (strlen($value) <= 15 || strlen(preg_replace('/\D/', '', $value) ?? '') <= 15 || !is_numeric($value)) {
            return $value;
        }
        $short = sprintf('%.15G', (float) $value);
        if (!str_contains($short, 'E')) {
            return str_contains($short, '.') ? rtrim(rtrim($short, '0'), '.') : $short;
        }

        return $short;
    }

    private function shown(string $value, string $meaning): string
    {
        return match ($meaning) {
            '' => self::number($value),
            'date' => $this->date($value),
            default => is_numeric($value) ? self::number(rtrim(rtrim(number_format((float) $value * self::IN_A_DAY[$meaning], self::DURATION_DECIMALS, '.', ''), '0'), '.')) : $value,
        };
    }

    private function date(string $value): string
    {
        if (!is_numeric($value) || abs((float) $value) > 3_000_000) {
            return $value;
        }
        $seconds = (int) round(((float) $value - floor((float) $value)) * self::DAY_SECONDS);
        $days = (int) floor((float) $value);
        if (!$this->counts1904 && $days > 0 && $days < self::LEAP_DAY_THAT_NEVER_WAS) {
            ++$days;
        }
        $start = strtotime(($this->counts1904 ? self::EPOCH_1904 : self::EPOCH) . ' UTC');
        $format = $seconds === 0 ? 'Y-m-d' : ($seconds % 60 === 0 ? 'Y-m-d\TH:i' : 'Y-m-d\TH:i:s');

        return gmdate($days === 0 && !$this->counts1904 ? 'H:i:s' : $format, $start + $days * self::DAY_SECONDS + $seconds);
    }

    private function meaning(int $style): string
    {
        return ($this->dates ??= $this->readDates())[$style] ?? '';
    }

    /** What a number format makes of a number: 'date', or the unit of a duration ('h', 'm' or 's'); '' = neither. */
    private static function meaningOf(string $format): string
    {
        $code = preg_replace('/"[^"]*"|\\\\.|_./', '', $format) ?? '';
        if (preg_match('/\[([hms])\1*\]/i', $code, $part) === 1) {
            return strtolower($part[1]);
        }
        // Fractions of seconds are no digits of a number.
        $code = preg_replace('/\[[^\]]*\]|(?<=[sS])[.,]0+/', '', $code) ?? '';

        return preg_match('/[ymdhs]/i', $code) === 1 && preg_match('/[0#?]/', $code) !== 1 ? 'date' : '';
    }

    /** @return list<string> by style, as meaningOf() says */
    private function readDates(): array
    {
        if (!$this->archive->has('xl/styles.xml')) {
            return [];
        }
        $styles = $this->tree('xl/styles.xml');
        $root = $styles->children($styles->getNamespaces()[''] ?? '');
        $formats = [];
        foreach ($root->numFmts->numFmt ?? [] as $format) {
            $formats[(int) $format->attributes()['numFmtId']] = self::meaningOf((string) $format->attributes()['formatCode']);
        }
        $dates = [];
        foreach ($root->cellXfs->xf ?? [] as $style) {
            $id = (int) $style->attributes()['numFmtId'];
            $dates[] = $formats[$id] ?? ($id === self::BUILT_IN_DURATION ? 'h' : (in_array($id, self::BUILT_IN_DATES, true) ? 'date' : ''));
        }

        return $dates;
    }

    private function sharedText(int $index): string
    {
        return ($this->shared ??= $this->readShared())[$index] ?? '';
    }

    /** @return list<string> */
    private function readShared(): array
    {
        if (!$this->archive->has('xl/sharedStrings.xml')) {
            return [];
        }
        $reader = $this->archive->xml('xl/sharedStrings.xml');
        $texts = [];
        $bytes = 0;
        while (Xml::read($reader)) {
            if ($reader->nodeType === XMLReader::ELEMENT && $reader->localName === 'si') {
                $texts[] = $text = Xml::text($reader, 'rPh');
                $bytes += strlen($text) + 40;
                if ($bytes > self::MOST_SHARED_BYTES) {
                    throw NotATable::damaged('its texts take more than 160 MB');
                }
            }
        }

        return $texts;
    }

    private function tree(string $part): SimpleXMLElement
    {
        $text = $this->archive->text($part);
        if (stripos($text, '<!DOCTYPE') !== false) {
            throw NotATable::damaged('its XML declares a document type, which no workbook does');
        }
        $before = libxml_use_internal_errors(true);
        $tree = simplexml_load_string($text, SimpleXMLElement::class, LIBXML_NONET);
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        return $tree === false ? throw NotATable::damaged("its part {$part} is broken") : $tree;
    }
}
