<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\SecondFactor;
use App\Console\Commands\Prepare;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

final class SignInRequest extends FormRequest
{
    private const WRONG_TRIES_A_MINUTE = 10;
    private const WRONG_TRIES_A_MINUTE_FROM_ONE_PLACE = 60;
    /** Of a password that is nobody's, at the cost that passwords have here. */
    private const HASH_OF_NOBODY = '$2y$12$DISHiZrUjXkCVpWiWtAtn.aRH9eAs0jOjDuP.jmZQijydPSqRdEpK';

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['email' => ['required', 'string', 'max:255'], 'password' => ['required', 'string', 'max:255'], 'code' => ['nullable', 'string', 'max:40']];
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
        $email = User::address($this->string('email')->toString());
        $limits = ["sign-in|{$email}|{$this->ip()}" => self::WRONG_TRIES_A_MINUTE, "sign-in-from|{$this->ip()}" => self::WRONG_TRIES_A_MINUTE_FROM_ONE_PLACE];
        foreach ($limits as $key => $most) {
            if (RateLimiter::tooManyAttempts($key, $most)) {
                throw new TooManyRequestsHttpException(RateLimiter::availableIn($key));
            }
        }
        $user = User::query()->where('email', '=', $email)->first();
        // An address that nobody has takes as long as one that somebody has.
        $isRight = Hash::check($this->string('password')->toString(), $user === null ? self::HASH_OF_NOBODY : $user->password);
        if ($user === null || !$isRight || ($user->email === Prepare::EMAIL && !config()->boolean('app.demo') && Hash::check(Prepare::PASSWORD, $user->password))) {
            array_map(static fn(string $key): int => RateLimiter::hit($key), array_keys($limits));
            throw ValidationException::withMessages(['email' => 'No account has this e-mail address with this password.']);
        }
        if ($user->waits_since !== null) {
            throw ValidationException::withMessages(['email' => 'This address is not confirmed yet. Follow the link in the letter; make the account once more for another.']);
        }
        if (SecondFactor::isAsked($user) && !SecondFactor::takes($user, $this->string('code')->toString())) {
            if ($this->filled('code')) {
                array_map(static fn(string $key): int => RateLimiter::hit($key), array_keys($limits));
            }
            throw ValidationException::withMessages(['code' => $this->filled('code') ? 'That is not a code of this account, or it was used. Wait for the next one.' : 'Type the code of your application, or one of the recovery codes.']);
        }
        RateLimiter::clear("sign-in|{$email}|{$this->ip()}");
        Auth::login($user);
        $this->session()->regenerate();
    }
}
