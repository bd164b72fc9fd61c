<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\Register;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** Somebody wants an account. */
final class NewAccountRequest extends FormRequest
{
    /** So many an hour from one network address. */
    private const FROM_ONE_PLACE = 20;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:100', 'not_regex:/^\s*$/'],
            'email' => AddressOfAccountRequest::rule(),
            'password' => NewPasswordRequest::RULES,
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name' => 'A name has 1 to 100 characters.', 'email' => 'Enter your e-mail address.', ...NewPasswordRequest::MESSAGES];
    }

    /** @throws TooManyRequestsHttpException */
    public function register(): void
    {
        $key = "register-from|{$this->ip()}";
        if (RateLimiter::tooManyAttempts($key, self::FROM_ONE_PLACE)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($key));
        }
        RateLimiter::hit($key, 3600);
        Register::of(trim($this->string('name')->toString()), $this->string('email')->toString(), $this->string('password')->toString());
    }
}
