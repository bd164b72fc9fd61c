<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;

/** A category whose labels are classes, and how they are taken. */
final class ClassesRequest extends ProfileRequest
{
    use ReadsClasses;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'of' => ['required', 'string', 'max:200', 'not_regex:/,/'],
            ...$this->classRules(),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), 'of' => 'Say which one variable this is about.'];
    }
}
