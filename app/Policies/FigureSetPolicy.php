<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\FigureSet;
use App\Models\User;
use Illuminate\Auth\Access\Response;

final class FigureSetPolicy
{
    public function delete(User $user, FigureSet $figureSet): Response
    {
        return $figureSet->user_id === $user->id ? Response::allow() : Response::denyAsNotFound();
    }
}
