<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An uploaded file on its way to becoming a dataset.
 *
 * @property int                                         $id
 * @property int                                         $user_id
 * @property int|null                                    $dataset_id  the draft while it runs, the dataset once done
 * @property string                                      $title
 * @property string                                      $file_name   as the person's machine calls it
 * @property string                                      $path        below the storage folder
 * @property ImportStatus                                $status
 * @property array<string, mixed>|null                   $decisions   about how it is read
 * @property int                                         $bytes_total
 * @property int                                         $bytes_read
 * @property int                                         $rows_read
 * @property string|null                                 $error
 * @property string|null                                 $encoding    of a text, found out once
 * @property string|null                                 $run         whose turn it is to read it
 * @property int                                         $beat_at     when it was last known to be worked at or to wait, in seconds
 * @property int                                         $attempts
 * @property array{seconds: float, peak_bytes: int}|null $measured    what the reading took
 * @property Dataset|null                                $dataset
 * @property User                                        $user
 */
final class Import extends Model
{
    use BootsByName;

    protected $table = 'imports';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'status' => ImportStatus::class,
            'decisions' => 'array',
            'bytes_total' => 'integer',
            'bytes_read' => 'integer',
            'rows_read' => 'integer',
            'beat_at' => 'integer',
            'attempts' => 'integer',
            'measured' => 'array',
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Dataset, $this> */
    public function dataset(): BelongsTo
    {
        return $this->belongsTo(Dataset::class);
    }
}
