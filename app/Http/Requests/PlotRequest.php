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
            'unit' => ['nullable', 'integer', 'between:-12,12'],
            'lines' => ['nullable', 'integer', 'in:1,2,5'],
            'apart' => ['nullable', 'string', 'in:yes,no'],
            'from' => ['nullable', 'numeric'],
            'to' => ['nullable', 'numeric', 'gte:from'],
            'with' => ['nullable', 'string', 'max:200'],
            'column' => ['nullable', 'integer', 'min:0', 'max:1000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            'of' => 'Say which one variable this is about.',
            'unit' => 'The leaf unit is 10 to the power of -12 to 12.',
            'lines' => 'A stem has 1, 2 or 5 lines.',
            'to' => 'A range runs from its smaller end to its larger one.',
        ];
    }

    /** Power of ten of the leaf unit; null = chosen. */
    public function unit(): ?int
    {
        return $this->word('unit') === null ? null : $this->integer('unit');
    }

    /** @return 1|2|5 */
    public function lines(): int
    {
        return match ($this->integer('lines')) {
            2 => 2,
            5 => 5,
            default => 1,
        };
    }

    public function apart(): bool
    {
        return $this->word('apart') === 'yes';
    }

    public function from(): string
    {
        return $this->word('from') ?? '0';
    }

    public function to(): string
    {
        return $this->word('to') ?? '0';
    }

    /** Key of the other variable. */
    public function with(): string
    {
        return $this->word('with') ?? '';
    }

    public function column(): int
    {
        return $this->integer('column');
    }
}
