<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Decisions about how a file is read; each names what is decided and, where it is about one column, its place. */
final class DecideReadingRequest extends FormRequest
{
    private const ABOUT_THE_TABLE = ['sheet', 'range', 'encoding', 'delimiter', 'quote', 'comment', 'first_line', 'header', 'missing', 'leave_out', 'leave_out_totals', 'shape', 'stacked', 'value_name', 'counts', 'counted', 'leave_out_extra_cells', 'row_word'];
    private const ABOUT_A_COLUMN = ['name', 'unit', 'type', 'take', 'decimal_mark', 'group_mark', 'affixes', 'date_order', 'negatives', 'fill_down'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'changes' => ['required', 'array', 'max:200'],
            'changes.*.what' => ['required', 'string', Rule::in([...self::ABOUT_THE_TABLE, ...self::ABOUT_A_COLUMN])],
            'changes.*.column' => ['nullable', 'integer', 'min:0', 'max:999'],
            'changes.*.value' => ['present'],
        ];
    }

    /** @return list<array{what: string, column: int|null, value: mixed}> */
    public function changes(): array
    {
        /** @var list<array{what: string, column?: int|null, value: mixed}> $changes */
        $changes = $this->validated('changes');

        return array_map(static fn(array $change): array => [
            'what' => $change['what'],
            'column' => $change['column'] ?? null,
            'value' => $change['value'],
        ], $changes);
    }
}
