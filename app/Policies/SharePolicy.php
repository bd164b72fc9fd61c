<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Share;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** The part that an account has in a dataset, a report or a team: changed by whoever owns that, ended by them or by whoever has it. */
final class SharePolicy
{
    public function change(User $user, Share $share): Response
    {
        return self::owns($user, $share) ? Response::allow() : Response::denyAsNotFound();
    }

    public function end(User $user, Share $share): Response
    {
        return self::owns($user, $share) || $share->user_id === $user->id || ($share->user_id === null && $share->email === $user->email) ? Response::allow() : Response::denyAsNotFound();
    }

    private static function owns(User $user, Share $share): bool
    {
        return match (true) {
            $share->team !== null => $share->team->role($user) === Share::KEEPER,
            $share->report !== null => Share::role($user, $share->report->dataset) === 'owner',
            $share->dataset !== null => Share::role($user, $share->dataset) === 'owner',
            default => false,
        };
    }
}
