<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\Register;
use App\Models\User;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** Another address for one's own account. */
final class AddressOfAccountRequest extends FormRequest
{
    /** @return list<string|Closure> what the address of an account has to be */
    public static function rule(): array
    {
        return ['required', 'string', 'max:255', static function (string $attribute, mixed $value, Closure $fail): void {
            $email = is_string($value) ? User::address($value) : '';
            if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
                $fail('That is no e-mail address.');
            } elseif (!Register::isAllowed($email)) {
                $fail('Accounts here are for addresses of: ' . config()->string('accounts.domains') . '.');
            }
        }];
    }

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return ['email' => self::rule()];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['email' => 'Enter an e-mail address.'];
    }

    public function email(): string
    {
        return User::address($this->string('email')->toString());
    }
}
