<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Dataset;
use App\Models\Report;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A report belongs to the account of its dataset; for any other it does not exist. */
final class ReportPolicy
{
    public function view(User $user, Report $report): Response
    {
        return self::owns($user, $report->dataset_id) ? Response::allow() : Response::denyAsNotFound();
    }

    public function change(User $user, Report $report): Response
    {
        return $this->view($user, $report);
    }

    public static function owns(User $user, mixed $dataset): bool
    {
        return Dataset::query()->whereKey($dataset)->where('revision', '>', 0)->value('user_id') === $user->id;
    }
}
