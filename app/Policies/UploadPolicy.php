<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Upload;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** What is on its way belongs to the account that sends it; for any other it does not exist. */
final class UploadPolicy
{
    public function view(User $user, Upload $upload): Response
    {
        return $upload->user_id === $user->id ? Response::allow() : Response::denyAsNotFound();
    }

    public function change(User $user, Upload $upload): Response
    {
        return $this->view($user, $upload);
    }
}
