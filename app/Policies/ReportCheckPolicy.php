<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\ReportCheck;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A check belongs to whoever asked for it. */
final class ReportCheckPolicy
{
    public function view(User $user, ReportCheck $reportCheck): Response
    {
        return $reportCheck->user_id === $user->id ? Response::allow() : Response::denyAsNotFound();
    }
}
