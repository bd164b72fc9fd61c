<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class FormulaRequest extends FormRequest
{
    public const SENTENCES = ['formula.required' => 'Write a formula.', 'formula.max' => 'A formula has at most 5,000 characters. Make it of two variables.'];

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['formula' => ['required', 'string', 'max:5000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return self::SENTENCES;
    }

    public function formula(): string
    {
        return $this->string('formula')->toString();
    }
}
