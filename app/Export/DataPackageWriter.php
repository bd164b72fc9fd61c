<?php

declare(strict_types=1);

namespace App\Export;

use App\Files\WholeFile;
use RowTally\Core\Parsing\VariableType;

/** A zipped tabular data package (Data Package and Table Schema, version 2): the CSV file and all that is known of its variables. */
final class DataPackageWriter implements TableWriter
{
    public function write(ExportedTable $table, $out): void
    {
        $csv = WholeFile::scratch();
        $handle = fopen($csv, 'w');
        if ($handle === false) {
            throw new CannotExport('There is no room for the file.');
        }
        $plain = array_map(static fn(ExportedVariable $variable): ExportedVariable => new ExportedVariable($variable->name, $variable->type, null, null, null, [], null, null), $table->variables);
        (new CsvWriter())->write(new ExportedTable($table->title, null, null, $plain, $table->rows, $table->blocks), $handle);
        fclose($handle);
        ZipFile::write($out, ['datapackage.json' => self::description($table)], ['rows.csv' => $csv]);
    }

    private static function description(ExportedTable $table): string
    {
        $marks = array_values(array_unique(array_merge([''], ...array_map(static fn(ExportedVariable $variable): array => $variable->missingMarks, $table->variables))));

        return json_encode(array_filter([
            '$schema' => 'https://datapackage.org/profiles/2.0/datapackage.json',
            'name' => 'rows',
            'title' => $table->title,
            'description' => $table->description,
            'sources' => $table->source === null ? null : [['title' => $table->source]],
            'resources' => [[
                'name' => 'rows',
                'type' => 'table',
                'path' => 'rows.csv',
                'format' => 'csv',
                'encoding' => 'utf-8',
                'dialect' => ['delimiter' => ',', 'quoteChar' => '"', 'header' => true],
                'schema' => ['fields' => array_map(self::field(...), $table->variables), 'missingValues' => $marks],
            ]],
        ], static fn(mixed $value): bool => $value !== null), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE);
    }

    /** @return array<string, mixed> */
    private static function field(ExportedVariable $variable): array
    {
        return array_filter([
            'name' => $variable->name,
            'type' => match ($variable->type) {
                VariableType::Number => 'number',
                VariableType::Date => 'date',
                default => 'string',
            },
            'title' => $variable->label,
            'description' => $variable->description,
            'unit' => $variable->unit,
            'categories' => $variable->labels,
            'categoriesOrdered' => $variable->labels === null ? null : true,
            'rowtally:type' => $variable->type->value,
            'rowtally:formula' => $variable->formula,
        ], static fn(mixed $value): bool => $value !== null);
    }
}
