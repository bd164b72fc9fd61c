<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Share;
use App\Models\User;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/** Another address for an account: asked for by whoever knows its password, in force once a letter to the new one was read. */
final class ChangeAddress
{
    /** Whether the new address has an account already is told by mail, and by nothing else. */
    public static function ask(User $user, string $email): void
    {
        $there = User::query()->where('email', '=', $email)->first();
        $there === null ? Letters::move($user, $email) : Letters::isThere($there);
    }

    /** @return bool whether it is the account's from now on */
    public static function confirm(string $proof): bool
    {
        $asked = Letters::moved($proof);
        if ($asked === null) {
            return false;
        }
        [$user, $email] = $asked;
        try {
            DB::transaction(static function () use ($user, $email): void {
                foreach (Share::query()->where('user_id', $user->id)->get() as $share) {
                    // What was offered to the new address in the same is theirs already.
                    Share::query()->where('email', $email)->whereNull('user_id')->where('dataset_id', $share->dataset_id)->where('team_id', $share->team_id)->where('report_id', $share->report_id)->delete();
                    $share->update(['email' => $email]);
                }
                $user->forceFill(['email' => $email])->save();
            });
        } catch (UniqueConstraintViolationException) {
            return false;
        }

        return true;
    }
}
