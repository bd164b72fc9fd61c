<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** A part in a dataset or a team that is offered to an address. */
final class ShareRequest extends FormRequest
{
    public const ROLE = 'Others may read or change: one of reader, editor; in a team also keeper.';

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            'email' => ['required', 'string', 'max:255', static function (string $attribute, mixed $value, Closure $fail): void {
                if (!is_string($value) || filter_var(User::address($value), FILTER_VALIDATE_EMAIL) === false) {
                    $fail('That is no e-mail address.');
                }
            }],
            'role' => ['required', 'string', $this->route('team') === null ? 'in:reader,editor' : 'in:reader,editor,keeper'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['email' => 'Enter an e-mail address.', 'role' => self::ROLE];
    }

    public function email(): string
    {
        return $this->string('email')->toString();
    }

    public function role(): string
    {
        return $this->string('role')->toString();
    }
}
