<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What somebody says of a kept item: its title, a note. */
final class KeptWordsRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['title' => ['sometimes', 'required', 'string', 'max:200'], 'note' => ['sometimes', 'present', 'string', 'max:8000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['title' => 'A title has 1 to 200 characters.', 'note' => 'A note has at most 8,000 characters.'];
    }

    /** @return array<string, string> */
    public function words(): array
    {
        /** @var array<string, string> $words */
        $words = $this->validated();

        return $words;
    }
}
