<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;

/** The words of a question, and how many of the heaviest readings are wanted. */
final class ReadingsRequest extends ProfileRequest
{
    use ReadsClasses;

    private const MOST = 500;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [...parent::rules(), ...$this->classRules(), 'most' => ['nullable', 'integer', 'between:1,' . self::MOST]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), 'most' => 'Ask for 1 to ' . self::MOST . ' readings.'];
    }

    public function most(): int
    {
        return (int) ($this->word('most') ?? self::MOST);
    }
}
