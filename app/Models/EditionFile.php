<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One form of an edition: made once, and the same bytes ever after.
 *
 * @property int         $id
 * @property int         $edition_id
 * @property string      $form
 * @property string      $size       a4 or letter
 * @property string      $status     waiting, making, ready, failed or cancelled
 * @property string|null $error      a sentence
 * @property int         $asked_at   in seconds
 * @property int|null    $began_at
 * @property string|null $path       below the storage folder
 * @property int         $bytes
 * @property string|null $sha256
 * @property Edition     $edition
 */
final class EditionFile extends Model
{
    use BootsByName;

    public const WAITING = 'waiting';
    public const MAKING = 'making';
    public const READY = 'ready';
    public const FAILED = 'failed';
    public const CANCELLED = 'cancelled';

    protected $table = 'edition_files';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['asked_at' => 'integer', 'began_at' => 'integer', 'bytes' => 'integer'];
    }

    /** @return BelongsTo<Edition, $this> */
    public function edition(): BelongsTo
    {
        return $this->belongsTo(Edition::class);
    }
}
