<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Dataset;
use App\Models\Report;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Whoever may read a dataset may read its reports, and whoever may change it may change them; for any other they do not exist. */
final class ReportPolicy
{
    public function view(User $user, Report $report): Response
    {
        return self::of($user, $report->dataset_id, false);
    }

    public function change(User $user, Report $report): Response
    {
        return self::of($user, $report->dataset_id, true);
    }

    public static function of(User $user, mixed $dataset, bool $isChange): Response
    {
        $found = Dataset::query()->find($dataset);
        $policy = new DatasetPolicy();

        return $found instanceof Dataset ? ($isChange ? $policy->change($user, $found) : $policy->view($user, $found)) : Response::denyAsNotFound();
    }
}
