<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * The part that an account has in somebody's dataset, or is offered.
 *
 * @property int       $id
 * @property int       $dataset_id
 * @property string    $email      to whom it was offered, as `User::address()` writes it
 * @property int|null  $user_id    who has taken it; null = nobody yet
 * @property string    $role       reader or editor
 * @property int|null  $invited_by
 * @property Carbon    $invited_at
 * @property Carbon    $expires_at of the offer
 * @property Dataset   $dataset
 * @property User|null $user
 */
final class Share extends Model
{
    use BootsByName;

    public const READER = 'reader';
    public const EDITOR = 'editor';

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

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function isOffered(): bool
    {
        return $this->user_id === null && $this->expires_at->isFuture();
    }

    /** What an account is to a dataset: owner, editor, reader; null = nothing. */
    public static function role(User $user, Dataset $dataset): ?string
    {
        if ($dataset->user_id === $user->id) {
            return 'owner';
        }
        $role = self::query()->where('dataset_id', $dataset->id)->where('user_id', $user->id)->value('role');

        return is_string($role) ? $role : null;
    }
}
