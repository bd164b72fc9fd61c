<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * One change of a dataset: who, when, and in words. Its data are in the versions of chunks and variables.
 *
 * @property int       $number
 * @property string    $kind
 * @property string    $summary
 * @property int|null  $target     the change that this one takes back or does again
 * @property int       $rows       how many the dataset has after it
 * @property Carbon    $created_at
 * @property User|null $user       whose it is; null = the account is gone
 */
final class Revision extends Model
{
    use BootsByName;

    protected $table = 'revisions';

    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['number' => 'integer', 'target' => 'integer', 'rows' => 'integer', 'created_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
