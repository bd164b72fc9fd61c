<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** Something that only whoever knows the password of the account may do. */
final class ProvenRequest extends FormRequest
{
    private const WRONG_TRIES_A_MINUTE = 10;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['current_password' => ['required', 'string', 'max:255']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['current_password' => 'Enter your password.'];
    }

    /** @throws ValidationException|TooManyRequestsHttpException */
    public function prove(User $user): void
    {
        $key = "prove|{$user->id}";
        if (RateLimiter::tooManyAttempts($key, self::WRONG_TRIES_A_MINUTE)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($key));
        }
        if (!Hash::check($this->string('current_password')->toString(), $user->password)) {
            RateLimiter::hit($key);
            throw ValidationException::withMessages(['current_password' => 'That is not the password of this account.']);
        }
    }
}
