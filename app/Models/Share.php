<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * The part that an account has in somebody's dataset, in one report of it or in a team, or is offered.
 *
 * @property int          $id
 * @property int|null     $dataset_id
 * @property int|null     $team_id
 * @property int|null     $report_id  one of the three
 * @property string       $email      to whom it was offered, as `User::address()` writes it
 * @property int|null     $user_id    who has taken it; null = nobody yet
 * @property string       $role       reader or editor; in a team also keeper
 * @property int|null     $invited_by
 * @property Carbon       $invited_at
 * @property Carbon       $expires_at of the offer
 * @property Dataset|null $dataset
 * @property Team|null    $team
 * @property Report|null  $report
 * @property User|null    $user
 */
final class Share extends Model
{
    use BootsByName;

    public const READER = 'reader';
    public const EDITOR = 'editor';
    public const KEEPER = 'keeper';

    protected $table = 'shares';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['invited_at' => 'datetime', 'expires_at' => 'datetime'];
    }

    /** @return BelongsTo<Dataset, $this> */
    public function dataset(): BelongsTo
    {
        return $this->belongsTo(Dataset::class);
    }

    /** @return BelongsTo<Team, $this> */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    /** @return BelongsTo<Report, $this> */
    public function report(): BelongsTo
    {
        return $this->belongsTo(Report::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function isOffered(): bool
    {
        return $this->user_id === null && $this->expires_at->isFuture();
    }

    /** What an account is to a dataset, by itself or in its team: owner, editor, reader; null = nothing. Whoever changes a report of it reads it. */
    public static function role(User $user, Dataset $dataset): ?string
    {
        if ($dataset->team_id === null && $dataset->user_id === $user->id) {
            return 'owner';
        }
        $roles = self::query()->where('user_id', $user->id)->where(static function (Builder $part) use ($dataset): void {
            $part->where('dataset_id', $dataset->id);
            if ($dataset->team_id !== null) {
                $part->orWhere('team_id', $dataset->team_id);
            }
        })->pluck('role')->all();
        $role = self::highest($roles);

        return $role ?? (self::query()->where('user_id', $user->id)->where('role', self::EDITOR)->whereIn('report_id', Report::query()->select('id')->where('dataset_id', $dataset->id))->exists() ? self::READER : null);
    }

    /** What an account is to a report, by its part in the dataset or in the report alone: owner, editor, reader; null = nothing. */
    public static function roleInReport(User $user, Report $report): ?string
    {
        $role = self::role($user, $report->dataset);
        $own = $role === null || $role === self::READER ? self::query()->where('user_id', $user->id)->where('report_id', $report->id)->value('role') : null;

        return self::highest([$own, $role === 'owner' ? self::KEEPER : $role]);
    }

    /**
     * @param array<array-key, mixed> $roles of one account, by itself and in a team
     *
     * @return string|null what they make it to a dataset
     */
    public static function highest(array $roles): ?string
    {
        return match (true) {
            in_array(self::KEEPER, $roles, true) => 'owner',
            in_array(self::EDITOR, $roles, true) => self::EDITOR,
            in_array(self::READER, $roles, true) => self::READER,
            default => null,
        };
    }
}
