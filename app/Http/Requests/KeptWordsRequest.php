<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Report\OwnWords;
use App\Store\KeptReading;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** What somebody says of a kept item: its title, a note. */
final class KeptWordsRequest extends FormRequest
{
    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            'title' => ['sometimes', 'required', 'string', 'max:200'],
            'note' => ['sometimes', 'present', 'nullable', self::isOwnWords(...)],
            'sentence' => ['sometimes', 'required', 'string', 'max:' . KeptReading::LONGEST],
        ];
    }

    /** @param Closure(string): mixed $fail */
    public static function isOwnWords(string $attribute, mixed $value, Closure $fail): void
    {
        if (OwnWords::ofDocument($value) === null) {
            $fail(OwnWords::REFUSAL);
        }
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['title' => 'A title has 1 to 200 characters.', 'sentence' => 'A sentence has 1 to 2,000 characters.'];
    }

    /** @return array<string, string> */
    public function words(): array
    {
        $words = [];
        if ($this->has('title')) {
            $words['title'] = $this->string('title')->toString();
        }
        if ($this->has('note')) {
            $words['note'] = OwnWords::ofDocument($this->input('note'))?->toStored() ?? '';
        }

        return $words;
    }

    /** As somebody would rather have a kept reading; null where it stays. */
    public function sentence(): ?string
    {
        $sentence = $this->validated('sentence');

        return is_string($sentence) ? $sentence : null;
    }
}
