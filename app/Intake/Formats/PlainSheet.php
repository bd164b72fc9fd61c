<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use Generator;

/**
 * The plain rows of a worksheet of an Office Open XML workbook (see `PlainXml`): nothing but rows of cells, without prefixes.
 *
 * @phpstan-type RawCell array{letters: string, style: string, kind: string, isFormula: bool, value: string, text: string}
 */
final class PlainSheet
{
    private const LONGEST_HEAD = 1 << 20;
    private const BEGINS = '<sheetData>';
    private const ENDS = '</sheetData>';

    private const ROW = '~\G\s*+<row(' . PlainXml::ATTRIBUTES . ')\s*+(/?)>~';
    /** Letters, style, kind, formula, value, text. */
    private const CELL = '~\G\s*+<c(?: r="(?:([A-Z]{1,3})[0-9]++)")?(?: s="([0-9]++)")?(?: t="(n|s|str|b|e|d|inlineStr)")?(?:/>|>(<f' . PlainXml::ATTRIBUTES . '(?:/>|>[^<]*+</f>))?(?:<v>([^<]*+)</v>|<is><t(?: xml:space="preserve")?>([^<]*+)</t></is>)?</c>)~';

    /**
     * @param resource $sheet
     *
     * @return Generator<int, array{number: int|null, cells: list<RawCell>}, mixed, bool> rows one after the other; whether that was all of them
     */
    public static function rows($sheet): Generator
    {
        $rest = self::begun($sheet);
        if ($rest === null) {
            return false;
        }
        $rows = PlainXml::rows($sheet, $rest, '</row>', self::ENDS);
        foreach ($rows as $row) {
            $heads = PlainXml::heads($row, 0, self::ROW);
            foreach ($heads ?? [] as [$attributes, $at]) {
                $cells = $at === null ? [] : self::cells($row, $at);
                if ($cells === null) {
                    return false;
                }
                yield ['number' => preg_match('/ r="([0-9]++)"/', $attributes, $stated) === 1 ? (int) $stated[1] : null, 'cells' => $cells];
            }
            if ($heads === null) {
                return false;
            }
        }

        return $rows->getReturn();
    }

    /**
     * @param resource $sheet
     *
     * @return string|null what was read of the rows; null where it does not begin as expected
     */
    private static function begun($sheet): ?string
    {
        $text = '';
        $at = false;
        while ($at === false) {
            $more = strlen($text) > self::LONGEST_HEAD ? '' : PlainXml::more($sheet);
            if ($more === '') {
                return null;
            }
            $text .= $more;
            $at = strpos($text, self::BEGINS);
        }
        $head = substr($text, 0, $at + strlen(self::BEGINS));
        if (preg_match('~^(?:\xEF\xBB\xBF)?(?:<\?xml version="1\.0"(?: encoding="UTF-8")?(?: standalone="(?:yes|no)")?\s*\?>)?\s*<worksheet\s~i', $head) !== 1 || str_contains($head, '<!')) {
            return null;
        }
        $before = libxml_use_internal_errors(true);
        $isWhole = simplexml_load_string($head . self::ENDS . '</worksheet>', options: LIBXML_NONET) !== false && libxml_get_last_error() === false;
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        return $isWhole ? substr($text, strlen($head)) : null;
    }

    /** @return list<RawCell>|null null where something else than cells is in it */
    private static function cells(string $row, int $at): ?array
    {
        $count = preg_match_all(self::CELL, $row, $found, PREG_SET_ORDER, $at);
        $cells = [];
        for ($i = 0; $i < $count; ++$i) {
            $cell = $found[$i] + ['', '', '', '', '', '', ''];
            $at += strlen($cell[0]);
            if (str_ends_with($cell[0], '/>')) {
                // Without anything in it, whatever it says it is.
                $cell[3] = '';
            }
            $cells[] = ['letters' => $cell[1], 'style' => $cell[2], 'kind' => $cell[3], 'isFormula' => $cell[4] !== '', 'value' => PlainXml::text($cell[5]), 'text' => PlainXml::text($cell[6])];
        }

        return trim(substr($row, $at)) === '' ? $cells : null;
    }
}
