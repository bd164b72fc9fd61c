<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Dataset;
use App\Models\KeptItem;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** What is kept belongs to the account of its dataset; for any other it does not exist. */
final class KeptItemPolicy
{
    public function change(User $user, KeptItem $keptItem): Response
    {
        return Dataset::query()->whereKey($keptItem->dataset_id)->value('user_id') === $user->id ? Response::allow() : Response::denyAsNotFound();
    }
}
