<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Edition;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** An edition is its report's. */
final class EditionPolicy
{
    public function view(User $user, Edition $edition): Response
    {
        return (new ReportPolicy())->view($user, $edition->report);
    }

    public function change(User $user, Edition $edition): Response
    {
        return (new ReportPolicy())->change($user, $edition->report);
    }
}
