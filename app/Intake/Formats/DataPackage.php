<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Files\WholeFile;
use App\Intake\ColumnDecision;
use App\Intake\Decisions;
use App\Intake\NotATable;
use RowTally\Core\Parsing\VariableType;

/**
 * A zipped tabular data package (Data Package and Table Schema, version 1 and 2): a datapackage.json that describes one or more
 * CSV files beside it in the archive. What it says of its fields stands before what is recognised.
 */
final readonly class DataPackage
{
    private Archive $archive;
    /** @var array<string, array<string, mixed>> resources by name */
    private array $resources;

    public function __construct(string $path)
    {
        $this->archive = Archive::open($path);
        /** @var mixed $package */
        $package = json_decode($this->archive->text('datapackage.json'), true, 64);
        $resources = [];
        foreach (is_array($package) && is_array($package['resources'] ?? null) ? $package['resources'] : [] as $i => $resource) {
            if (is_array($resource) && is_string($resource['path'] ?? null) && $this->archive->has($resource['path'])) {
                /** @var array<string, mixed> $resource */
                $name = $resource['name'] ?? null;
                $resources[is_string($name) ? $name : 'resource ' . ((int) $i + 1)] = $resource;
            }
        }
        $this->resources = $resources === [] ? throw NotATable::badPackage('it names no file that is in the archive') : $resources;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->resources));
    }

    /** @return int how many bytes were copied */
    public function copyTo(string $path, ?string $name, ?int $mostBytes): int
    {
        $file = $this->resource($name)['path'] ?? null;
        $file = is_string($file) ? $file : '';
        $from = $this->archive->stream($file);
        $stated = $this->archive->most($file);
        set_error_handler(static fn(): never => throw NotATable::damaged("its part {$file} cannot be unpacked"));
        try {
            $to = WholeFile::create($path);
            // One byte more than it says it has: then it has said too little.
            $copied = WholeFile::copy($from, $to, min($mostBytes ?? PHP_INT_MAX, $stated + 1));
            WholeFile::close($to);
        } finally {
            restore_error_handler();
        }
        if ($copied > $stated || ($mostBytes === null && $copied < $stated)) {
            throw NotATable::damaged("its part {$file} is not as long as it says");
        }

        return $copied;
    }

    /** What the package says, under what somebody has decided. */
    public function decisions(Decisions $decided): Decisions
    {
        $resource = $this->resource($decided->sheet);
        $schema = self::object($resource['schema'] ?? null);
        $dialect = self::object($resource['dialect'] ?? null);
        $text = static fn(mixed $value): ?string => is_string($value) ? $value : null;
        $missing = [];
        foreach (self::items($schema['missingValues'] ?? null) as $mark) {
            $mark = is_array($mark) ? $mark['value'] ?? null : $mark;
            if (is_string($mark) && $mark !== '') {
                $missing[] = $mark;
            }
        }
        $columns = [];
        foreach (self::items($schema['fields'] ?? null) as $place => $field) {
            $columns[$place] = self::column(self::object($field));
        }
        $stated = new Decisions(
            encoding: strtolower($text($resource['encoding'] ?? null) ?? '') === 'utf-8' ? 'utf-8' : null,
            delimiter: $text($dialect['delimiter'] ?? null),
            quote: $text($dialect['quoteChar'] ?? null),
            hasHeader: is_bool($dialect['header'] ?? null) ? $dialect['header'] : null,
            missing: $missing,
            leaveOutTotals: false,
        );
        $words = [...$stated->toArray(), ...$decided->toArray()];
        foreach ($columns as $place => $column) {
            $columns[$place] = [...$column->toArray(), ...$decided->column($place)->toArray()];
        }

        return Decisions::fromArray([...$words, 'columns' => $columns, 'missing' => array_values(array_unique([...$missing, ...$decided->missing]))]);
    }

    /** @param array<array-key, mixed> $field */
    private static function column(array $field): ColumnDecision
    {
        $constraints = self::object($field['constraints'] ?? null);
        $labels = [];
        foreach (self::items($field['categories'] ?? $constraints['enum'] ?? null) as $label) {
            $label = is_array($label) ? $label['value'] ?? null : $label;
            $labels[] = is_scalar($label) ? (string) $label : '';
        }
        $text = static fn(string $key): ?string => is_string($field[$key] ?? null) && $field[$key] !== '' ? $field[$key] : null;
        $type = match ($text('type')) {
            'number', 'integer', 'year' => VariableType::Number,
            'date', 'datetime' => VariableType::Date,
            'boolean' => VariableType::Category,
            'string', 'any' => $labels !== [] ? VariableType::Category : null,
            default => null,
        };
        $group = $text('groupChar');

        return new ColumnDecision(
            name: $text('name'),
            unit: $text('unit'),
            type: $labels !== [] ? VariableType::Category : VariableType::tryFrom($text('rowtally:type') ?? '') ?? $type,
            decimalMark: $text('type') === 'number' ? $text('decimalChar') ?? '.' : null,
            groupMark: $group,
            order: $labels === [] ? null : $labels,
            label: $text('title'),
            description: $text('description'),
        );
    }

    /** @return array<string, mixed> */
    private function resource(?string $name): array
    {
        return $name === null
            ? $this->resources[array_key_first($this->resources)]
            : $this->resources[$name] ?? throw NotATable::noSheet($name, $this->names());
    }

    /** @return array<array-key, mixed> */
    private static function object(mixed $value): array
    {
        return is_array($value) ? $value : [];
    }

    /** @return list<mixed> */
    private static function items(mixed $value): array
    {
        return is_array($value) ? array_values($value) : [];
    }
}
