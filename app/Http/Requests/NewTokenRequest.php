<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\Scope;
use App\Accounts\Tokens;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** A token that is asked for: what it is for, what it may do, and for how long. */
final class NewTokenRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:100', 'not_regex:/^\s*$/'],
            'scopes' => ['required', 'list', 'max:' . count(Scope::cases())],
            'scopes.*' => [Rule::enum(Scope::class), 'distinct'],
            'days' => ['required', 'integer', Rule::in(Tokens::DAYS)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name' => 'Say what the token is for, in 1 to 100 characters.',
            'scopes.required' => 'Choose what the token may do.',
            'scopes.list' => 'Choose what the token may do.',
            'scopes.*' => 'A token may have the scopes ' . implode(', ', array_column(Scope::cases(), 'value')) . ', each once.',
            'days' => 'A token ends after ' . implode(', ', Tokens::DAYS) . ' days.',
        ];
    }

    public function name(): string
    {
        return trim($this->string('name')->toString());
    }

    /** @return list<Scope> */
    public function scopes(): array
    {
        return array_values($this->enums('scopes', Scope::class));
    }

    public function days(): int
    {
        return $this->integer('days');
    }
}
