<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * Accounts that own datasets together: keepers, and others who change or read all that is the team's.
 *
 * @property int                    $id
 * @property string                 $name
 * @property Carbon                 $made_at
 * @property Collection<int, Share> $shares  who is in it, or is asked in
 */
final class Team extends Model
{
    use BootsByName;

    protected $table = 'teams';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['made_at' => 'datetime'];
    }

    /** @return HasMany<Share, $this> */
    public function shares(): HasMany
    {
        return $this->hasMany(Share::class);
    }

    /** What an account is in it: keeper, editor, reader; null = not in it. */
    public function role(User $user): ?string
    {
        $role = Share::query()->where('team_id', $this->id)->where('user_id', $user->id)->value('role');

        return is_string($role) ? $role : null;
    }
}
