<?php

declare(strict_types=1);

namespace App\Export;

use RowTally\Core\Marks\NumberMarks;

/** What the data can be taken out as. */
enum ExportFormat: string
{
    case Csv = 'csv';
    case Xlsx = 'xlsx';
    case Ods = 'ods';
    case Json = 'json';
    case JsonLines = 'json-lines';
    case DataPackage = 'data-package';

    public function extension(): string
    {
        return match ($this) {
            self::Csv => 'csv',
            self::Xlsx => 'xlsx',
            self::Ods => 'ods',
            self::Json => 'json',
            self::JsonLines => 'jsonl',
            self::DataPackage => 'zip',
        };
    }

    public function mediaType(): string
    {
        return match ($this) {
            self::Csv => 'text/csv; charset=utf-8',
            self::Xlsx => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
            self::Ods => 'application/vnd.oasis.opendocument.spreadsheet',
            self::Json => 'application/json',
            self::JsonLines => 'application/x-ndjson',
            self::DataPackage => 'application/zip',
        };
    }

    /** @param NumberMarks $marks with which a CSV is written; the others know what a number is */
    public function writer(NumberMarks $marks = new NumberMarks()): TableWriter
    {
        return match ($this) {
            self::Csv => new CsvWriter($marks),
            self::Xlsx => new XlsxWriter(),
            self::Ods => new OdsWriter(),
            self::Json => new JsonWriter(false),
            self::JsonLines => new JsonWriter(true),
            self::DataPackage => new DataPackageWriter(),
        };
    }
}
