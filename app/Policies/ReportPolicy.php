<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Report;
use App\Models\Share;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/**
 * Whoever may read a dataset may read its reports, and whoever may change it may change them; others may have a part in one report alone.
 * For any other they do not exist.
 */
final class ReportPolicy
{
    public function view(User $user, Report $report): Response
    {
        return self::role($user, $report) !== null ? Response::allow() : Response::denyAsNotFound();
    }

    public function change(User $user, Report $report): Response
    {
        return match (self::role($user, $report)) {
            null => Response::denyAsNotFound(),
            Share::READER => Response::deny('You may read this report and not change it. Ask whoever shares it with you.'),
            default => Response::allow(),
        };
    }

    /** Of those who have a part in the report alone nobody may. */
    public function remove(User $user, Report $report): Response
    {
        return match (true) {
            self::role($user, $report) === null => Response::denyAsNotFound(),
            in_array(Share::role($user, $report->dataset), ['owner', Share::EDITOR], true) => Response::allow(),
            default => Response::deny('Only whoever may change the dataset may do that.'),
        };
    }

    /** Who else has a part in it. */
    public function delete(User $user, Report $report): Response
    {
        return match (self::role($user, $report)) {
            null => Response::denyAsNotFound(),
            'owner' => Response::allow(),
            default => Response::deny('Only whoever owns the dataset of this report may do that.'),
        };
    }

    private static function role(User $user, Report $report): ?string
    {
        return $report->dataset->revision > 0 ? Share::roleInReport($user, $report) : null;
    }
}
