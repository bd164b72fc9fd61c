<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Export\ExportFormat;
use Illuminate\Validation\Rule;

final class ExportRequest extends RowsRequest
{
    public function rules(): array
    {
        return [...parent::rules(), 'format' => ['required', 'string', Rule::enum(ExportFormat::class)]];
    }

    public function exportFormat(): ExportFormat
    {
        return $this->enum('format', ExportFormat::class) ?? ExportFormat::Csv;
    }
}
