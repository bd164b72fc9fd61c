<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use Generator;

/**
 * The plain rows of a table of an OpenDocument spreadsheet (see `PlainXml`): columns, then nothing but rows of cells that hold paragraphs of text.
 *
 * A cell with more than a number or one text is told as it says itself to be.
 *
 * @phpstan-type SaidCell array{attributes: array<string, string>, text: string}
 */
final class PlainOdsSheet
{
    private const LONGEST_HEAD = 16 << 20;
    private const LONGEST_TAG = 4096;
    private const TABLE = '~<table:table(' . PlainXml::ATTRIBUTES . ')>~';
    private const COLUMNS = '~\G\s*+(?:<table:table-column' . PlainXml::ATTRIBUTES . '/>|<office:forms' . PlainXml::ATTRIBUTES . '/>)~';
    private const ROW = '~\G\s*+<table:table-row(' . PlainXml::ATTRIBUTES . ')(/?)>~';
    /** A cell as nearly all are, with nothing to say but a number or one text: the number, the text. */
    private const USUAL = '~\G\s*+<table:table-cell(?: table:style-name="[^"<\t\n]*+")?(?:/>|(?: office:value-type="(?:string|float" office:value="([^"&<\t\n]++))")?(?: calcext:value-type="[a-z]*+")?>(?:<text:p>([^<]*+)</text:p>)?</table:table-cell>)~';
    /** Attributes, the one paragraph, several of them. */
    private const CELL = '~\G\s*+<table:(?:covered-)?table-cell(' . PlainXml::ATTRIBUTES . ')(?:/>|>(?:<text:p>([^<]*+)</text:p>|((?:<text:p(?: text:style-name="[^"<]*+")?(?:/>|>[^<]*+</text:p>))*+))</table:(?:covered-)?table-cell>)~';

    /**
     * @param resource $content
     *
     * @return Generator<int, array{repeats: int, cells: list<string|SaidCell>}, mixed, bool> rows one after the other; whether that was all of them
     */
    public static function rows($content, string $table): Generator
    {
        $rest = self::begun($content, $table);
        if ($rest === null) {
            return false;
        }
        $rows = PlainXml::rows($content, $rest, '</table:table-row>', '</table:table>');
        $isFirst = true;
        foreach ($rows as $row) {
            $at = 0;
            while ($isFirst && preg_match(self::COLUMNS, $row, $columns, 0, $at) === 1) {
                $at += strlen($columns[0]);
            }
            $isFirst = false;
            $heads = PlainXml::heads($row, $at, self::ROW);
            foreach ($heads ?? [] as [$attributes, $from]) {
                $cells = $from === null ? [] : self::cells($row, $from);
                if ($cells === null) {
                    return false;
                }
                yield ['repeats' => max(1, (int) (self::attributes($attributes)['table:number-rows-repeated'] ?? '1')), 'cells' => $cells];
            }
            if ($heads === null) {
                return false;
            }
        }

        return $rows->getReturn();
    }

    /**
     * @param resource $content
     *
     * @return list<string|null>|null names of the tables, one behind the other; null where something else comes up
     */
    public static function tables($content): ?array
    {
        $names = [];
        $ended = 0;
        $text = '';
        while (($more = PlainXml::more($content)) !== '') {
            $text .= $more;
            if (str_contains($text, '<!')) {
                return null;
            }
            $done = 0;
            while (preg_match('~</table:table>|<table:table(?=[\s>/])(?:(' . PlainXml::ATTRIBUTES . ')>)?~', $text, $tag, PREG_OFFSET_CAPTURE, $done) === 1) {
                $isEnd = $tag[0][0][1] === '/';
                if (!$isEnd && !str_ends_with($tag[0][0], '>')) {
                    if (strlen($text) - $tag[0][1] > self::LONGEST_TAG) {
                        return null;
                    }
                    // It goes on in the next block.
                    $done = $tag[0][1];
                    break;
                }
                $done = $tag[0][1] + strlen($tag[0][0]);
                if ($isEnd ? ++$ended !== count($names) : count($names) !== $ended) {
                    return null;
                }
                if (!$isEnd) {
                    $names[] = self::attributes($tag[1][0] ?? '')['table:name'] ?? null;
                }
            }
            $text = substr($text, max($done, strlen($text) - self::LONGEST_TAG));
        }

        return $names === [] || count($names) !== $ended || !str_ends_with(rtrim($text), '</office:document-content>') ? null : $names;
    }

    /**
     * @param resource $content
     *
     * @return string|null what was read behind the head of the table; null where it does not come as expected
     */
    private static function begun($content, string $table): ?string
    {
        $text = '';
        for ($from = 0, $passed = 0; $passed <= self::LONGEST_HEAD;) {
            $more = PlainXml::more($content);
            if ($more === '') {
                return null;
            }
            if ($passed === 0 && $text === '' && preg_match('~^(?:\xEF\xBB\xBF)?<\?xml version="1\.0" encoding="UTF-8"( standalone="(?:yes|no)")?\s*\?>~i', $more) !== 1) {
                return null;
            }
            $text .= $more;
            if (str_contains($text, '<!')) {
                return null;
            }
            while (preg_match(self::TABLE, $text, $head, PREG_OFFSET_CAPTURE, $from) === 1) {
                $from = $head[0][1] + strlen($head[0][0]);
                if ((self::attributes($head[1][0])['table:name'] ?? null) === $table) {
                    return substr($text, $from);
                }
            }
            // The head of a table may begin in one block and end in the next.
            $keep = max($from, strlen($text) - self::LONGEST_TAG);
            $passed += $keep;
            $text = substr($text, $keep);
            $from = 0;
        }

        return null;
    }

    /** @return list<string|SaidCell>|null what cells hold; null where something else than cells is in it */
    private static function cells(string $row, int $at): ?array
    {
        $cells = [];
        for ($length = strlen($row); $at < $length;) {
            $usual = preg_match_all(self::USUAL, $row, $found, PREG_PATTERN_ORDER, $at);
            for ($i = 0; $i < $usual; ++$i) {
                $number = $found[1][$i];
                $cells[] = $number === '' ? PlainXml::text($found[2][$i]) : XlsxWorkbook::number($number);
            }
            $at += strlen(implode('', $found[0]));
            if ($at < $length) {
                if (preg_match(self::CELL, $row, $cell, 0, $at) !== 1) {
                    return trim(substr($row, $at)) === '' ? $cells : null;
                }
                $at += strlen($cell[0]);
                $cells[] = ['attributes' => self::attributes($cell[1]), 'text' => isset($cell[3]) ? self::paragraphs($cell[3]) : PlainXml::text($cell[2] ?? '')];
            }
        }

        return $cells;
    }

    /** Paragraphs are lines. */
    private static function paragraphs(string $written): string
    {
        if ($written === '') {
            return '';
        }
        preg_match_all('~<text:p[^<>]*?(?:/>|>([^<]*+)</text:p>)~', $written, $found);

        return PlainXml::text(implode("\n", $found[1]));
    }

    /** @return array<string, string> */
    private static function attributes(string $written): array
    {
        if ($written === '' || preg_match_all('/ ([\w:-]++)="([^"]*+)"/', $written, $found) === 0) {
            return [];
        }

        return array_combine($found[1], str_contains($written, '&') ? array_map(PlainXml::text(...), $found[2]) : $found[2]);
    }
}
