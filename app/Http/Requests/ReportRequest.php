<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Report\Document\ReportDocument;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** A report as somebody has written it now, and the version that they wrote it in. */
final class ReportRequest extends FormRequest
{
    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer', 'min:1'],
            'document' => ['required', 'array', static function (string $attribute, mixed $value, Closure $fail): void {
                $document = is_array($value) ? ReportDocument::ofArray($value) : 'A report is an object.';
                if (is_string($document)) {
                    $fail($document);
                }
            }],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['version' => 'Say which version was changed.', 'document' => 'A report has a title and blocks.'];
    }

    public function version(): int
    {
        return $this->integer('version');
    }

    public function document(): ReportDocument
    {
        $document = ReportDocument::ofArray((array) $this->input('document'));

        return $document instanceof ReportDocument ? $document : abort(422);
    }
}
