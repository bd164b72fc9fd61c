<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Edition;
use App\Models\Report;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** An edition belongs to the account of its report. */
final class EditionPolicy
{
    public function view(User $user, Edition $edition): Response
    {
        return ReportPolicy::of($user, Report::query()->whereKey($edition->report_id)->value('dataset_id'), false);
    }

    public function change(User $user, Edition $edition): Response
    {
        return ReportPolicy::of($user, Report::query()->whereKey($edition->report_id)->value('dataset_id'), true);
    }
}
