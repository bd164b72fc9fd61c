<?php

declare(strict_types=1);

namespace App\Report\Checks;

use App\Report\Document\ReportDocument;
use App\Report\Forms\CannotHandOver;
use App\Report\Forms\HandOver;
use App\Report\Forms\MarkdownZip;
use App\Report\Forms\Tool;
use App\Report\Record\BuildRecord;
use App\Report\Record\ShownNumbers;
use App\Report\Record\StatedFigure;
use RowTally\Core\Marks\NumberMarks;
use ZipArchive;

/** Takes the record out of a report that was handed over, and the rows where they came along. */
final class ReadRecord
{
    private const MOST_RECORD_BYTES = 24 << 20;
    private const MOST_ROW_BYTES = 64 << 20;
    private const MOST_FIGURES = 200_000;

    /** @throws CannotCheck */
    public static function of(string $path): GivenReport
    {
        $bytes = (string) file_get_contents($path, length: self::MOST_RECORD_BYTES + self::MOST_ROW_BYTES);
        $head = substr($bytes, 0, 512);

        return match (true) {
            str_starts_with($head, '%PDF-') => self::ofPdf($path, $bytes),
            str_starts_with($head, "PK\x03\x04") => self::ofZip($path),
            preg_match('/^\s*(?:\xEF\xBB\xBF)?<!doctype html/i', $head) === 1 => self::ofPage($bytes),
            str_starts_with(ltrim($head), '{') => self::given($bytes, null, null, 'record'),
            default => throw CannotCheck::isNoReport(),
        };
    }

    private static function ofPdf(string $path, string $bytes): GivenReport
    {
        try {
            [$record, $rows] = Tool::inFolder(static function (string $folder) use ($path): array {
                $listed = Tool::run(['pdfdetach', '-list', $path], '', 'The PDF');
                $read = static function (string $name, int $most) use ($listed, $folder, $path): ?string {
                    if (preg_match('/^(\d+): ' . preg_quote($name, '/') . '\s*$/m', $listed, $found) !== 1) {
                        return null;
                    }
                    Tool::run(['pdfdetach', '-save', $found[1], '-o', "{$folder}/{$name}", $path], '', 'The PDF');

                    return (string) file_get_contents("{$folder}/{$name}", length: max(0, $most));
                };

                return [$read(HandOver::RECORD, self::MOST_RECORD_BYTES), $read(HandOver::ROWS, self::MOST_ROW_BYTES)];
            });
            $text = Tool::run(['pdftotext', '-', '-'], $bytes, 'The text of the PDF');
        } catch (CannotHandOver $problem) {
            throw CannotCheck::isUnreadable('PDF', $problem->getMessage());
        }

        return self::given($record ?? throw CannotCheck::hasNoRecord(), $text, $rows, 'pdf');
    }

    private static function ofPage(string $html): GivenReport
    {
        if (preg_match('/<script type="application\/json" id="record">(.*?)<\/script>/s', $html, $record) !== 1) {
            throw CannotCheck::hasNoRecord();
        }
        $rows = preg_match('/<script type="text\/plain" id="rows">([A-Za-z0-9+\/=\s]*)<\/script>/', $html, $found) === 1 ? base64_decode($found[1], true) : null;

        return self::given($record[1], ShownNumbers::textOfHtml($html), $rows === false ? null : $rows, 'html');
    }

    private static function ofZip(string $path): GivenReport
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw CannotCheck::isUnreadable('zip', 'It is cut off or damaged.');
        }
        $read = static function (string $name, int $most) use ($zip): ?string {
            $stat = $zip->statName($name);
            if ($stat === false) {
                return null;
            }
            if ($stat['size'] > $most) {
                throw CannotCheck::isTooLarge($name);
            }
            $text = $zip->getFromName($name);

            return $text === false ? throw CannotCheck::isUnreadable('zip', "“{$name}” in it is damaged.") : $text;
        };
        $record = $read(HandOver::RECORD, self::MOST_RECORD_BYTES) ?? throw CannotCheck::hasNoRecord();
        $text = $read(MarkdownZip::REPORT, self::MOST_RECORD_BYTES);
        if ($text === null) {
            $text = '';
            for ($i = 0; $i < $zip->numFiles; ++$i) {
                $name = (string) $zip->getNameIndex($i);
                $text .= str_starts_with($name, 'tables/') && str_ends_with($name, '.csv') ? (string) $read($name, self::MOST_RECORD_BYTES) : '';
            }
        }

        return self::given($record, $text, $read(HandOver::ROWS, self::MOST_ROW_BYTES), 'zip');
    }

    private static function given(string $json, ?string $text, ?string $rows, string $form): GivenReport
    {
        $record = json_decode($json, true);
        if (!is_array($record)) {
            throw CannotCheck::isCutOff();
        }
        if (($record['format'] ?? null) !== BuildRecord::FORMAT || ($record['version'] ?? null) !== BuildRecord::VERSION) {
            throw CannotCheck::isOfAnotherFormat();
        }
        $document = is_array($record['document'] ?? null) ? ReportDocument::ofArray($record['document']) : null;
        $data = $record['data'] ?? null;
        $listed = $record['figures'] ?? null;
        if (!$document instanceof ReportDocument || !is_array($data) || !is_array($listed) || count($listed) > self::MOST_FIGURES) {
            throw CannotCheck::isCutOff();
        }
        $figures = [];
        foreach ($listed as $one) {
            $figure = StatedFigure::ofArray($one);
            if ($figure === null || !is_array($one) || !is_string($one['block'] ?? null)) {
                throw CannotCheck::isCutOff();
            }
            $figures[] = ['block' => $one['block'], 'number' => is_string($one['number'] ?? null) ? $one['number'] : null, 'figure' => $figure];
        }
        $shown = $record['shown'] ?? null;
        $numbers = [];
        foreach (is_array($shown) && is_array($shown['numbers'] ?? null) ? $shown['numbers'] : [] as $pair) {
            if (is_array($pair) && is_string($pair[0] ?? null) && is_int($pair[1] ?? null)) {
                $numbers[] = [$pair[0], $pair[1]];
            }
        }
        $report = is_array($record['report'] ?? null) ? $record['report'] : [];

        /** @var array<string, mixed> $data */
        return new GivenReport(
            $form,
            $document,
            is_int($report['edition'] ?? null) ? $report['edition'] : 0,
            is_string($report['made_at'] ?? null) ? $report['made_at'] : '',
            $data,
            $figures,
            $numbers,
            $text === null ? null : ShownNumbers::of($text),
            $rows,
            NumberMarks::ofWords($record['numbers'] ?? null),
        );
    }
}
