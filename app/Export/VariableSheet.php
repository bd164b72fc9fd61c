<?php

declare(strict_types=1);

namespace App\Export;

/** The second sheet of a workbook: what is known of each variable. */
final class VariableSheet
{
    /** @return list<list<string>> */
    public static function rows(ExportedTable $table): array
    {
        return [
            ['Name', 'Type', 'Unit', 'Label', 'Description', 'Missing marks', 'Labels in order', 'Made as'],
            ...array_map(static fn(ExportedVariable $variable): array => [
                $variable->name,
                $variable->type->value,
                $variable->unit ?? '',
                $variable->label ?? '',
                $variable->description ?? '',
                implode('  ', $variable->missingMarks),
                implode('  ', $variable->labels ?? []),
                $variable->formula ?? '',
            ], $table->variables),
        ];
    }
}
