<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Dataset;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A dataset belongs to one account; for any other it does not exist. */
final class DatasetPolicy
{
    public function view(User $user, Dataset $dataset): Response
    {
        return $dataset->user_id === $user->id && $dataset->revision > 0 ? Response::allow() : Response::denyAsNotFound();
    }

    public function change(User $user, Dataset $dataset): Response
    {
        return $this->view($user, $dataset);
    }

    public function delete(User $user, Dataset $dataset): Response
    {
        return $this->view($user, $dataset);
    }
}
