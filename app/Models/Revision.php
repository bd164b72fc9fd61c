<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use RowTally\Core\Marks\NumberMarks;

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

    /** With the counts in it as whoever reads it writes them. */
    protected function summary(): Attribute
    {
        return Attribute::make(get: static fn(string $kept): string => NumberMarks::inForce()->read($kept));
    }

    /** As it is kept. */
    public function keptSummary(): string
    {
        $kept = $this->getRawOriginal('summary');

        return is_string($kept) ? $kept : '';
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
