<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Share;
use App\Models\Team;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A team is seen by those in it and kept by its keepers; for any other it does not exist. */
final class TeamPolicy
{
    public function keep(User $user, Team $team): Response
    {
        return match ($team->role($user)) {
            null => Response::denyAsNotFound(),
            Share::KEEPER => Response::allow(),
            default => Response::deny('Only whoever keeps this team may do that.'),
        };
    }
}
