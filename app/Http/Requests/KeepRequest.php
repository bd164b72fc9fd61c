<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** A picture or a table to be held for the report. */
final class KeepRequest extends FormRequest
{
    private const MOST_BYTES = 4 << 20;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            'kind' => ['required', 'string', 'in:picture,table'],
            'title' => ['required', 'string', 'max:200'],
            'content' => ['required', 'string', $this->isWhatItSays(...)],
            'basis' => ['required', 'string', 'max:4000'],
            'address' => ['present', 'string', 'max:8000'],
            'revision' => ['required', 'integer', 'min:1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['title' => 'A title has 1 to 200 characters.', 'kind' => 'A picture or a table can be kept.'];
    }

    /** @param Closure(string): mixed $fail */
    private function isWhatItSays(string $attribute, mixed $value, Closure $fail): void
    {
        $content = is_string($value) ? $value : '';
        if (strlen($content) > self::MOST_BYTES) {
            $fail('This is too large to be kept: at most 4 MB.');
        } elseif ($this->string('kind')->toString() === 'picture' ? !str_starts_with($content, '<svg') : !$this->areCells($content)) {
            $fail('A picture is kept as SVG, a table as a list of rows of texts.');
        }
    }

    private function areCells(string $content): bool
    {
        /** @var mixed $rows */
        $rows = json_decode($content, true);
        if (!is_array($rows) || !array_is_list($rows)) {
            return false;
        }
        foreach ($rows as $row) {
            if (!is_array($row) || array_filter($row, static fn(mixed $cell): bool => !is_string($cell)) !== []) {
                return false;
            }
        }

        return $rows !== [];
    }
}
