<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use RowTally\Core\Parsing\VariableType;

final class RetypeRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['type' => ['required', 'string', Rule::enum(VariableType::class)]];
    }

    public function type(): VariableType
    {
        return $this->enum('type', VariableType::class) ?? VariableType::Text;
    }
}
