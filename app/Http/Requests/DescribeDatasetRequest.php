<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class DescribeDatasetRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'title' => ['sometimes', 'string', 'min:1', 'max:200'],
            'description' => ['sometimes', 'nullable', 'string', 'max:5000'],
            'row_one' => ['sometimes', 'nullable', 'string', 'max:40', 'regex:/^[^,\r\n]*$/'],
            'row_many' => ['sometimes', 'nullable', 'string', 'max:40', 'regex:/^[^,\r\n]*$/'],
            'source' => ['sometimes', 'nullable', 'string', 'max:1000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['title.min' => 'A dataset needs a title.', 'title.max' => 'A title has at most 200 characters.', 'row_one' => 'What a row is has at most 40 characters and no comma.', 'row_many' => 'What rows are has at most 40 characters and no comma.'];
    }

    public function title(): ?string
    {
        $title = trim($this->string('title')->toString());

        return $title === '' ? null : $title;
    }

    /** @return array<string, mixed> */
    public function fields(): array
    {
        /** @var array<string, mixed> $fields */
        $fields = $this->validated();

        return $fields;
    }
}
