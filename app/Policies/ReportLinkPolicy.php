<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\ReportLink;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A link belongs to the account of its edition. */
final class ReportLinkPolicy
{
    public function change(User $user, ReportLink $reportLink): Response
    {
        return (new EditionPolicy())->change($user, $reportLink->edition);
    }
}
