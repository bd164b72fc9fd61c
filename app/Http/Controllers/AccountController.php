<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\AccountData;
use App\Accounts\ChangeAddress;
use App\Accounts\DeleteAccount;
use App\Accounts\Letters;
use App\Accounts\OneTimeCode;
use App\Accounts\Register;
use App\Accounts\SecondFactor;
use App\Accounts\Sessions;
use App\Accounts\Tokens;
use App\Http\Requests\AddressOfAccountRequest;
use App\Http\Requests\NewAccountRequest;
use App\Http\Requests\NewPasswordRequest;
use App\Http\Requests\ProvenRequest;
use App\Http\Resources\AccountResource;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\Rule;
use RowTally\Core\Marks\NumberMarks;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** An account: made, confirmed, changed, and gone with all that is its. */
final class AccountController
{
    private const LETTERS_AN_HOUR = 5;

    /** The same answer whether the address has an account or not: who has one is nobody's business. */
    public function store(NewAccountRequest $request): JsonResponse
    {
        if (!Register::isOpen()) {
            return new JsonResponse(['message' => 'Accounts are made by whoever runs this server. Ask them for one.'], 403);
        }
        $request->register();

        return new JsonResponse(['message' => 'Look into your mail: a letter is on its way to that address.'], 202);
    }

    public function confirm(Request $request): JsonResponse
    {
        $request->validate(['proof' => ['required', 'string', 'max:2000']], ['proof' => 'This is not a link of a letter.']);
        $proof = $request->string('proof')->toString();
        if (ChangeAddress::confirm($proof)) {
            return new JsonResponse(['message' => 'The address is changed. Sign in with it from now on.']);
        }
        $user = Letters::confirmed($proof);
        if ($user === null) {
            return new JsonResponse(['message' => 'This link is not a good one, or has ended. Ask for it once more: another letter comes.'], 422);
        }
        $user->forceFill(['waits_since' => null])->save();

        return new JsonResponse(['message' => 'The address is confirmed. Sign in.']);
    }

    public function forgot(Request $request): JsonResponse
    {
        $request->validate(['email' => ['required', 'string', 'max:255']], ['email' => 'Enter your e-mail address.']);
        $user = User::query()->where('email', '=', User::address($request->string('email')->toString()))->first();
        // So many letters an hour; whoever asks is told the same.
        if ($user !== null && RateLimiter::attempt("reset|{$user->id}", self::LETTERS_AN_HOUR, static fn(): bool => true, 3600) !== false) {
            Letters::reset($user);
        }

        return new JsonResponse(['message' => 'If that address has an account, a letter is on its way to it.'], 202);
    }

    public function reset(NewPasswordRequest $request): JsonResponse
    {
        $found = Letters::mayReset($request->string('proof')->toString());
        if ($found === null) {
            return new JsonResponse(['message' => 'This link is not a good one, or has ended. Ask for another letter.'], 422);
        }
        [$user] = $found;
        // Whoever reads the mail of an address has it.
        $user->forceFill(['password' => $request->password(), 'waits_since' => null])->save();
        Password::deleteToken($user);
        Sessions::end($user, null, '');
        Tokens::revokeAll($user);

        return new JsonResponse(['message' => 'The new password is set. Sign in.']);
    }

    public function show(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse([...(new AccountResource($user))->resolve(), 'has_factor' => SecondFactor::isAsked($user), 'recovery_codes_left' => count($user->recovery_codes ?? [])]);
    }

    public function update(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $request->validate(
            [
                'name' => ['sometimes', 'string', 'max:100', 'not_regex:/^\s*$/'],
                'numbers' => ['sometimes', 'array:decimal,thousands,minus,days,week'],
                'numbers.decimal' => ['required_with:numbers', Rule::in(array_keys(NumberMarks::DECIMAL))],
                'numbers.thousands' => ['required_with:numbers', 'different:numbers.decimal', Rule::in([NumberMarks::COUNTS_ONLY, ...array_keys(NumberMarks::THOUSANDS)])],
                'numbers.minus' => ['required_with:numbers', Rule::in(array_keys(NumberMarks::MINUS))],
                'numbers.days' => ['required_with:numbers', Rule::in(NumberMarks::DAYS)],
                'numbers.week' => ['sometimes', Rule::in(User::FIRST_DAYS)],
            ],
            [
                'name' => 'A name has 1 to 100 characters.',
                'numbers.thousands.different' => 'The mark between thousands cannot be the one before decimals: choose another for one of them.',
                'numbers*' => 'Choose each mark from its list.',
            ],
        );
        $user->forceFill([
            ...($request->has('name') ? ['name' => trim($request->string('name')->toString())] : []),
            ...($request->has('numbers') ? ['number_marks' => [...NumberMarks::ofWords($request->input('numbers'))->toWords(), 'week' => $request->input('numbers.week', $user->firstDay())]] : []),
        ])->save();

        return $this->show($user);
    }

    /** The same answer whether that address has an account or not. */
    public function address(AddressOfAccountRequest $request, ProvenRequest $proven, #[CurrentUser] User $user): JsonResponse
    {
        $proven->prove($user);
        ChangeAddress::ask($user, $request->email());

        return new JsonResponse(['message' => 'A letter is on its way to that address. It is yours once you have followed its link.'], 202);
    }

    public function password(NewPasswordRequest $request, ProvenRequest $proven, #[CurrentUser] User $user): JsonResponse
    {
        $proven->prove($user);
        $user->forceFill(['password' => $request->password()])->save();
        $ended = Sessions::end($user, null, $request->session()->getId());

        return new JsonResponse(['ended' => $ended]);
    }

    public function sessions(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(Sessions::of($user, $request->session()->getId()));
    }

    public function endSession(string $session, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(['ended' => Sessions::end($user, $session, $request->session()->getId())]);
    }

    public function endSessions(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(['ended' => Sessions::end($user, null, $request->session()->getId())]);
    }

    public function beginFactor(ProvenRequest $proven, #[CurrentUser] User $user): JsonResponse
    {
        $proven->prove($user);
        if (SecondFactor::isAsked($user)) {
            return new JsonResponse(['message' => 'One-time codes are in force already. End them first.'], 422);
        }
        $secret = SecondFactor::begin($user);

        return new JsonResponse(['secret' => $secret, 'address' => OneTimeCode::address($secret, 'Row Tally', $user->email)]);
    }

    public function confirmFactor(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $request->validate(['code' => ['required', 'string', 'max:40']], ['code' => 'Type the code that your application shows.']);
        $codes = SecondFactor::confirm($user, $request->string('code')->toString());

        return $codes === null ? new JsonResponse(['message' => 'That is not the code of this key just now. Wait for the next one and type it.'], 422) : new JsonResponse(['recovery_codes' => $codes]);
    }

    public function recoveryCodes(ProvenRequest $proven, #[CurrentUser] User $user): JsonResponse
    {
        $proven->prove($user);

        return new JsonResponse(['recovery_codes' => SecondFactor::isAsked($user) ? SecondFactor::newRecoveryCodes($user) : []]);
    }

    public function endFactor(ProvenRequest $proven, #[CurrentUser] User $user): JsonResponse
    {
        $proven->prove($user);
        SecondFactor::end($user);

        return $this->show($user);
    }

    /** All of one's own data in one file. */
    public function data(AccountData $data, #[CurrentUser] User $user): StreamedResponse
    {
        return response()->streamDownload(static function () use ($data, $user): void {
            $out = fopen('php://output', 'wb');
            if ($out !== false) {
                $data->write($user, $out);
            }
        }, 'row-tally-all-my-data.zip', ['Content-Type' => 'application/zip']);
    }

    public function destroy(ProvenRequest $proven, DeleteAccount $delete, #[CurrentUser] User $user): Response
    {
        $proven->prove($user);
        // Refused while a team would be left without a keeper.
        $delete->delete($user);
        Auth::logout();
        $proven->session()->invalidate();

        return new Response(status: 204);
    }
}
