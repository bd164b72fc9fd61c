<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class FormulaRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['formula' => ['required', 'string', 'max:5000']];
    }

    public function formula(): string
    {
        return $this->string('formula')->toString();
    }
}
