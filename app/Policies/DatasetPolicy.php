<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Dataset;
use App\Models\Share;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A dataset belongs to one account, which may give others a part in it: to read, or to change. For any other it does not exist. */
final class DatasetPolicy
{
    public function view(User $user, Dataset $dataset): Response
    {
        return $dataset->revision > 0 && Share::role($user, $dataset) !== null ? Response::allow() : Response::denyAsNotFound();
    }

    public function change(User $user, Dataset $dataset): Response
    {
        return match ($dataset->revision > 0 ? Share::role($user, $dataset) : null) {
            null => Response::denyAsNotFound(),
            Share::READER => Response::deny('You may read this dataset and not change it. Ask whoever shares it with you.'),
            default => Response::allow(),
        };
    }

    /** What only its owner may do: delete it, share it, hand it over. */
    public function delete(User $user, Dataset $dataset): Response
    {
        return match ($dataset->revision > 0 ? Share::role($user, $dataset) : null) {
            null => Response::denyAsNotFound(),
            'owner' => Response::allow(),
            default => Response::deny('Only whoever owns this dataset may do that.'),
        };
    }
}
