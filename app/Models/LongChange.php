<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A change of a dataset that a worker makes, because it takes longer than somebody waits for an answer.
 *
 * @property int                  $id
 * @property int                  $dataset_id
 * @property int                  $user_id
 * @property int                  $revision    on top of which it is made
 * @property string               $fingerprint of its words
 * @property array<string, mixed> $words
 * @property string               $status      queued, running, done, failed or stopped
 * @property int                  $done        pieces
 * @property int                  $pieces      0 = not known yet
 * @property int                  $beat_at     when it was last known to be waiting or worked at, in seconds
 * @property int|null             $made        the revision it came to
 * @property string|null          $message     why it did not
 */
final class LongChange extends Model
{
    public const OPEN = ['queued', 'running'];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['words' => 'array', 'revision' => 'integer', 'done' => 'integer', 'pieces' => 'integer', 'beat_at' => 'integer', 'made' => 'integer'];
    }
}
