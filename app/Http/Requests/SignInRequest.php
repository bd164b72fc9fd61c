<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

final class SignInRequest extends FormRequest
{
    private const WRONG_TRIES_A_MINUTE = 10;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['email' => ['required', 'string', 'max:255'], 'password' => ['required', 'string', 'max:255']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['email.required' => 'Enter your e-mail address.', 'password.required' => 'Enter your password.'];
    }

    /**
     * @throws ValidationException          when the pair is not that of an account
     * @throws TooManyRequestsHttpException after too many wrong pairs in a minute
     */
    public function signIn(): void
    {
        $key = 'sign-in|' . $this->string('email')->lower() . '|' . $this->ip();
        if (RateLimiter::tooManyAttempts($key, self::WRONG_TRIES_A_MINUTE)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($key));
        }
        if (!Auth::attempt(['email' => $this->string('email')->toString(), 'password' => $this->string('password')->toString()])) {
            RateLimiter::hit($key);
            throw ValidationException::withMessages(['email' => 'No account has this e-mail address with this password.']);
        }
        RateLimiter::clear($key);
        $this->session()->regenerate();
    }
}
