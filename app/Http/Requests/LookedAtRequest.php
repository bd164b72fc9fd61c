<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class LookedAtRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['variable' => ['required', 'string', 'max:80'], 'code' => ['required', 'string', 'max:60'], 'looked_at' => ['required', 'boolean']];
    }

    public function line(): string
    {
        return mb_substr($this->string('variable') . ':' . $this->string('code'), 0, 120);
    }

    public function isLookedAt(): bool
    {
        return $this->boolean('looked_at');
    }
}
