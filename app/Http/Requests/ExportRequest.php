<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Export\ExportFormat;
use Illuminate\Validation\Rule;
use RowTally\Core\Marks\NumberMarks;

final class ExportRequest extends RowsRequest
{
    public function rules(): array
    {
        return [...parent::rules(), 'format' => ['required', 'string', Rule::enum(ExportFormat::class)], 'numbers' => ['nullable', 'in:standard,own']];
    }

    /** Whose marks a CSV has: the standard's, unless one's own are asked for. */
    public function marks(): NumberMarks
    {
        return $this->input('numbers') === 'own' ? NumberMarks::inForce() : new NumberMarks();
    }

    public function exportFormat(): ExportFormat
    {
        return $this->enum('format', ExportFormat::class) ?? ExportFormat::Csv;
    }
}
