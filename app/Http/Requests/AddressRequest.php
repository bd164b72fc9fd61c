<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rules\Enum;

/** The words of an address, most of which may be left out. */
abstract class AddressRequest extends FormRequest
{
    /** @return array<string, list<string|Closure|Enum>> by word */
    abstract public function rules(): array;

    /**
     * A word that may be left out and is left out needs no looking at, and most are.
     *
     * @return array<string, list<string|Closure|Enum>>
     */
    protected function validationRules(): array
    {
        return array_filter($this->rules(), fn(array $rules, string $word): bool => $rules[0] !== 'nullable' || $this->has($word), ARRAY_FILTER_USE_BOTH);
    }
}
