<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\Register;
use Illuminate\Foundation\Http\FormRequest;

/** A password that is to take the place of another. */
final class NewPasswordRequest extends FormRequest
{
    public const RULES = ['required', 'string', 'min:' . Register::SHORTEST_PASSWORD, 'max:255', 'not_regex:/^(.)\1*$/u'];
    public const MESSAGES = ['password' => 'A password has 8 to 255 characters, not all the same.'];

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['password' => self::RULES, 'proof' => ['sometimes', 'string', 'max:2000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return self::MESSAGES;
    }

    public function password(): string
    {
        return $this->string('password')->toString();
    }
}
