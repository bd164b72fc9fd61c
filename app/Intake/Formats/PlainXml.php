<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use Generator;

/**
 * What the readers of plain sheets have in common: they recognise byte by byte the form in which nearly all programs write rows and cells, so that
 * what they read is just what the XML says. Whatever else comes up ends them, and the whole is for a reader of XML.
 *
 * Cost  O(bytes), a fifth of what a step through each node takes; no more is held than one block and one row.
 */
final class PlainXml
{
    /** Attributes in front of which there is a blank each. */
    public const ATTRIBUTES = '(?: [\w:-]++="[^"<\t\n]*+")*+';

    private const BLOCK = 1 << 16;
    private const LONGEST_ROW = 4 << 20;
    /** What XML does not have, or has and means otherwise: control characters, line ends that are made others, entities of its own. */
    private const ODD = '/[\x00-\x08\x0B-\x1F]|&(?!(?:amp|lt|gt|quot|apos|#(?:9|10|3[2-9]|[4-9][0-9]|[1-9][0-9]{2,3}));)|\xEF\xBF[\xBE\xBF]/';

    /**
     * @param resource         $stream
     * @param string           $rest   what was read and belongs to the rows already
     * @param non-empty-string $rowEnd
     *
     * @return Generator<int, string, mixed, bool> what stands before the end of each row; whether the sheet ended behind the last of them
     */
    public static function rows($stream, string $rest, string $rowEnd, string $sheetEnd): Generator
    {
        for (;;) {
            // What follows the sheet may have rows of its own.
            $stop = strpos($rest, $sheetEnd);
            $end = strrpos($stop === false ? $rest : substr($rest, 0, $stop), $rowEnd);
            if ($end !== false) {
                $rows = substr($rest, 0, $end);
                if (preg_match('//u', $rows) !== 1 || preg_match(self::ODD, $rows) !== 0) {
                    return false;
                }
                foreach (explode($rowEnd, $rows) as $row) {
                    yield $row;
                }
                $rest = substr($rest, $end + strlen($rowEnd));
            }
            if (str_starts_with(ltrim($rest), $sheetEnd)) {
                return true;
            }
            $more = strlen($rest) > self::LONGEST_ROW ? '' : self::more($stream);
            if ($more === '') {
                return false;
            }
            $rest .= $more;
        }
    }

    /**
     * The rows that stand in what comes before the end of one: empty ones that are closed in their own tag, then the one itself.
     *
     * @param string $head what a row begins with: its attributes, and the sign that closes it
     *
     * @return list<array{string, int|null}>|null attributes of each, and where its cells begin, null where it has none; null where it is no row
     */
    public static function heads(string $row, int $at, string $head): ?array
    {
        $heads = [];
        do {
            if (preg_match($head, $row, $found, 0, $at) !== 1) {
                return null;
            }
            $at += strlen($found[0]);
            $isEmpty = $found[2] === '/';
            $heads[] = [$found[1], $isEmpty ? null : $at];
        } while ($isEmpty);

        return $heads;
    }

    /**
     * @param resource $stream
     *
     * @return string the next block; '' at the end, or where it cannot be read
     */
    public static function more($stream): string
    {
        return (string) @fread($stream, self::BLOCK);
    }

    public static function text(string $written): string
    {
        return str_contains($written, '&') ? html_entity_decode($written, ENT_XML1 | ENT_QUOTES, 'UTF-8') : $written;
    }
}
