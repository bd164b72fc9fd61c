<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Store\KeptReading;
use Illuminate\Foundation\Http\FormRequest;

/** What somebody says of a kept item: its title, a note. */
final class KeptWordsRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['title' => ['sometimes', 'required', 'string', 'max:200'], 'note' => ['sometimes', 'present', 'string', 'max:8000'], 'sentence' => ['sometimes', 'required', 'string', 'max:' . KeptReading::LONGEST]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['title' => 'A title has 1 to 200 characters.', 'note' => 'A note has at most 8,000 characters.', 'sentence' => 'A sentence has 1 to 2,000 characters.'];
    }

    /** @return array<string, string> */
    public function words(): array
    {
        /** @var array<string, string> $words */
        $words = $this->validated();

        unset($words['sentence']);

        return $words;
    }

    /** As somebody would rather have a kept reading; null where it stays. */
    public function sentence(): ?string
    {
        $sentence = $this->validated('sentence');

        return is_string($sentence) ? $sentence : null;
    }
}
