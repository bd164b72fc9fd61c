<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** A table to be held for the report. */
final class KeepRequest extends FormRequest
{
    /** What is said of anything that is kept. */
    public const ITEM = [
        'title' => ['required', 'string', 'max:200'],
        'basis' => ['required', 'string', 'max:4000'],
        'address' => ['present', 'string', 'max:8000'],
    ];
    public const NO_TITLE = 'A title has 1 to 200 characters.';
    private const MOST_BYTES = 4 << 20;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            ...self::ITEM,
            'content' => ['required', 'string', $this->areCells(...)],
            'revision' => ['required', 'integer', 'min:1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['title' => self::NO_TITLE];
    }

    /** @param Closure(string): mixed $fail */
    private function areCells(string $attribute, mixed $value, Closure $fail): void
    {
        $content = is_string($value) ? $value : '';
        if (strlen($content) > self::MOST_BYTES) {
            $fail('This is too large to be kept: at most 4 MB.');
        } elseif (!self::isTable(json_decode($content, true))) {
            $fail('A table is kept as a list of rows of texts.');
        }
    }

    private static function isTable(mixed $rows): bool
    {
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
