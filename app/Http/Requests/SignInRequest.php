<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

final class SignInRequest extends FormRequest
{
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
     * @throws ValidationException when the pair is not that of an account
     */
    public function signIn(): void
    {
        if (!Auth::attempt(['email' => $this->string('email')->toString(), 'password' => $this->string('password')->toString()])) {
            throw ValidationException::withMessages(['email' => 'No account has this e-mail address with this password.']);
        }
        $this->session()->regenerate();
    }
}
