<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use Generator;

/**
 * The plain rows of a table of an OpenDocument spreadsheet (see `PlainXml`): columns, then nothing but rows of cells that hold paragraphs of text.
 */
final class PlainOdsSheet
{
    private const LONGEST_HEAD = 16 << 20;
    private const LONGEST_TAG = 4096;
    private const TABLE = '~<table:table(' . PlainXml::ATTRIBUTES . ')>~';
    private const COLUMNS = '~\G\s*+(?:<table:table-column' . PlainXml::ATTRIBUTES . '/>|<office:forms' . PlainXml::ATTRIBUTES . '/>)~';
    private const ROW = '~\G\s*+<table:table-row(' . PlainXml::ATTRIBUTES . ')(/?)>~';
    private const USUAL = '/^(?: table:style-name="[^"]*+")? office:value-type="(float|string)"(?: office:value="([^"&]*+)")?(?: calcext:value-type="[a-z]*+")?$/D';
    /** Attributes, the one paragraph, several of them. */
    private const CELL = '~\G\s*+<table:(?:covered-)?table-cell(' . PlainXml::ATTRIBUTES . ')(?:/>|>(?:<text:p>([^<]*+)</text:p>|((?:<text:p(?: text:style-name="[^"<]*+")?(?:/>|>[^<]*+</text:p>))*+))</table:(?:covered-)?table-cell>)~';

    /**
     * @param resource $content
     *
     * @return Generator<int, array{repeats: int, cells: list<array{attributes: array<string, string>, text: string}>}, mixed, bool> rows one after the other; whether that was all of them
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

    /** @return list<array{attributes: array<string, string>, text: string}>|null null where something else than cells is in it */
    private static function cells(string $row, int $at): ?array
    {
        $count = preg_match_all(self::CELL, $row, $found, PREG_SET_ORDER, $at);
        $cells = [];
        for ($i = 0; $i < $count; ++$i) {
            $at += strlen($found[$i][0]);
            $cells[] = ['attributes' => self::attributes($found[$i][1]), 'text' => isset($found[$i][3]) ? self::paragraphs($found[$i][3]) : PlainXml::text($found[$i][2] ?? '')];
        }

        return trim(substr($row, $at)) === '' ? $cells : null;
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
        // Nearly all cells have these two or the first of them.
        if (preg_match(self::USUAL, $written, $usual) === 1) {
            return ['office:value-type' => $usual[1], ...(isset($usual[2]) ? ['office:value' => $usual[2]] : [])];
        }
        if ($written === '' || preg_match_all('/ ([\w:-]++)="([^"]*+)"/', $written, $found) === 0) {
            return [];
        }

        return array_combine($found[1], str_contains($written, '&') ? array_map(PlainXml::text(...), $found[2]) : $found[2]);
    }
}
