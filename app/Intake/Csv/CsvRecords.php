<?php

declare(strict_types=1);

namespace App\Intake\Csv;

use App\Intake\NotATable;

/**
 * Cuts a piece of CSV text into records after RFC 4180: cells may stand in quotation marks, which are doubled inside, and may
 * then hold delimiters and line breaks. Lines end in LF, CRLF or CR. Blanks that set cells apart count as one. Beyond that, blanks may
 * stand between a delimiter and a quotation mark, and marks inside may be escaped by a backslash where `ESCAPED` is the mark.
 */
final class CsvRecords
{
    /** Quotation marks that a backslash escapes inside. */
    public const ESCAPED = '\\"';

    private readonly string $field;
    private readonly string $quote;
    private readonly bool $isEscaped;

    public function __construct(public readonly string $delimiter, string $quote = '"')
    {
        $this->isEscaped = $quote === self::ESCAPED;
        $this->quote = $quote = $this->isEscaped ? '"' : $quote;
        $d = preg_quote($delimiter, '/') . ($delimiter === ' ' ? '+' : '');
        $class = preg_quote($delimiter, '/');
        $q = $quote === '' ? '(?!)' : $quote;
        $inside = $this->isEscaped ? "(?:[^{$q}\\\\]++|\\\\.|{$q}{$q})*+" : "(?:[^{$q}]++|{$q}{$q})*+";
        $blanks = $delimiter === ' ' ? '' : '\x20*+';
        $quoted = $quote === '' ? '(?!)()' : "{$blanks}{$q}({$inside}){$q}{$blanks}";
        $this->field = "/\\G(?:{$quoted}|((?!{$blanks}{$q})[^{$class}\\r\\n]*+))({$d}|\\r\\n|\\n|\\r|\\z)/s";
    }

    private function unquoted(string $quoted): string
    {
        $text = str_replace($this->quote . $this->quote, $this->quote, $quoted);

        return $this->isEscaped ? (preg_replace('/\\\\(.)/s', '$1', $text) ?? $text) : $text;
    }

    /**
     * The whole records at the start of the text.
     *
     * @param bool $isLast whether the file ends here; otherwise an unfinished last record is left for the next piece
     *
     * @return array{records: list<list<string>>, lines: list<int>, ends: list<int>, next: int} the records, the line each starts
     *                                                                                          in, where each ends in bytes, and the line
     *                                                                                          after them
     *
     * @throws NotATable when a quotation mark is not closed where its cell ends
     */
    public function cut(string $text, int $line, bool $isLast): array
    {
        if ($this->delimiter !== '' && $this->delimiter !== ' ' && ($this->quote === '' || !str_contains($text, $this->quote)) && !str_contains($text, "\r")) {
            return self::cutPlain($this->delimiter, $text, $line, $isLast);
        }
        $records = [];
        $lines = [];
        $ends = [];
        $record = [];
        $at = $used = 0;
        $startLine = $line;
        $length = strlen($text);
        preg_match_all($this->field, $text, $fields, PREG_SET_ORDER);
        foreach ($fields as [$whole, $quoted, $plain, $end]) {
            if ($end === '' && (!$isLast || ($at >= $length && $record === []))) {
                break;
            }
            // A CR at the very end may be the first half of a CRLF.
            if ($end === "\r" && !$isLast && $at + strlen($whole) === $length) {
                break;
            }
            $at += strlen($whole);
            if ($this->quote !== '' && str_starts_with($this->delimiter === ' ' ? $whole : ltrim($whole, ' '), $this->quote)) {
                $record[] = $this->unquoted($quoted);
                $line += substr_count(str_replace("\r\n", "\n", $quoted), "\n");
            } else {
                $record[] = $plain;
            }
            if ($end === '' || $end[0] === "\n" || $end[0] === "\r") {
                $records[] = $record;
                $lines[] = $startLine;
                $record = [];
                $startLine = ++$line;
                $ends[] = $used = $at;
                if ($end === '') {
                    break;
                }
            }
        }
        if ($isLast && $used < $length) {
            throw NotATable::badQuote($line);
        }

        return ['records' => $records, 'lines' => $lines, 'ends' => $ends, 'next' => $startLine];
    }

    /**
     * The same of a text whose lines are records and end in LF.
     *
     * @param non-empty-string $delimiter
     *
     * @return array{records: list<list<string>>, lines: list<int>, ends: list<int>, next: int}
     */
    private static function cutPlain(string $delimiter, string $text, int $line, bool $isLast): array
    {
        $rows = explode("\n", $text);
        // Behind the last line break stands a record only where the file ends there.
        $rest = array_pop($rows);
        $records = $ends = [];
        $at = 0;
        foreach ($rows as $row) {
            $records[] = explode($delimiter, $row);
            $ends[] = $at += strlen($row) + 1;
        }
        if ($isLast && $rest !== '') {
            $records[] = explode($delimiter, $rest);
            $ends[] = strlen($text);
        }

        return ['records' => $records, 'lines' => $records === [] ? [] : range($line, $line + count($records) - 1), 'ends' => $ends, 'next' => $line + count($records)];
    }
}
