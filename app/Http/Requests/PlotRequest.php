<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;

/** One more picture of one variable, or a range of its values. */
class PlotRequest extends ProfileRequest
{
    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'of' => ['required', 'string', 'max:200', 'not_regex:/,/'],
            'from' => ['nullable', 'numeric'],
            'to' => ['nullable', 'numeric', 'gte:from'],
            'column' => ['nullable', 'integer', 'min:0', 'max:1000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            'of' => 'Say which one variable this is about.',
            'to' => 'A range runs from its smaller end to its larger one.',
        ];
    }

    public function from(): string
    {
        return $this->word('from') ?? '0';
    }

    public function to(): string
    {
        return $this->word('to') ?? '0';
    }

    public function column(): int
    {
        return $this->integer('column');
    }
}
