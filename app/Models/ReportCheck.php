<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;

/**
 * A report that is being checked against its record and the rows.
 *
 * @property int                       $id
 * @property int                       $user_id
 * @property string                    $status    waiting, checking, done, failed or cancelled
 * @property string                    $name      of the report’s file
 * @property string                    $path      of the report, below the storage folder
 * @property string|null               $rows_path of the rows that came with it or beside it
 * @property string|null               $rows_name
 * @property string|null               $error     a sentence
 * @property array<string, mixed>|null $result
 * @property int                       $asked_at  in seconds
 * @property int|null                  $began_at
 */
final class ReportCheck extends Model
{
    use BootsByName;

    public const WAITING = 'waiting';
    public const CHECKING = 'checking';
    public const DONE = 'done';
    public const FAILED = 'failed';
    public const CANCELLED = 'cancelled';

    protected $table = 'report_checks';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['result' => 'array', 'asked_at' => 'integer', 'began_at' => 'integer'];
    }
}
