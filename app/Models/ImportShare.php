<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;

/**
 * Some columns of a long file, read by one worker while others read the rest.
 *
 * @property int                                                                                         $id
 * @property int                                                                                         $import_id
 * @property string                                                                                      $run        whose turn at the import it belongs to
 * @property list<int>                                                                                   $columns    positions of its variables
 * @property string                                                                                      $recognised what all columns were taken for when the shares were made
 * @property string|null                                                                                 $taken      who reads it
 * @property int                                                                                         $beat_at    when it was last known to be read or to wait, in seconds
 * @property int                                                                                         $attempts
 * @property int                                                                                         $bytes_read
 * @property int                                                                                         $rows_read
 * @property array{rows: int, is_even: bool, passed_over: array<string, int|null>, peak_bytes: int}|null $done
 */
final class ImportShare extends Model
{
    use BootsByName;

    public $timestamps = false;

    protected $table = 'import_shares';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['columns' => 'array', 'beat_at' => 'integer', 'attempts' => 'integer', 'bytes_read' => 'integer', 'rows_read' => 'integer', 'done' => 'array'];
    }
}
