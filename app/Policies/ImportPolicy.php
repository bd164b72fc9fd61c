<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Import;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** An import belongs to the account that uploaded the file; for any other it does not exist. */
final class ImportPolicy
{
    public function view(User $user, Import $import): Response
    {
        return $import->user_id === $user->id ? Response::allow() : Response::denyAsNotFound();
    }

    public function change(User $user, Import $import): Response
    {
        return $this->view($user, $import);
    }

    public function cancel(User $user, Import $import): Response
    {
        return $this->view($user, $import);
    }
}
