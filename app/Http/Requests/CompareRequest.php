<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;

/** The words of a question, and what is compared under it. */
final class CompareRequest extends ProfileRequest
{
    use Compares;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [...parent::rules(), ...$this->compareRules(), 'what' => ['required', 'string', 'in:groups,variables,pairs,datasets']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), ...$this->compareMessages(), 'what' => 'What is compared is one of: groups, variables, pairs, datasets.'];
    }
}
