<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;
use RowTally\Core\Columns\ChunkEncoding;

/**
 * Up to 8,192 rows of one variable, packed, as they were from one revision on.
 *
 * @property int                     $variable_id
 * @property int                     $number         from 0
 * @property int                     $since_revision
 * @property int|null                $until_revision null = still so
 * @property ChunkEncoding           $encoding
 * @property int                     $rows
 * @property int                     $missing
 * @property int|null                $decimals
 * @property string|null             $lowest
 * @property string|null             $highest
 * @property string|null             $sum
 * @property string|null             $squares
 * @property array<int, string>|null $unread         cells that could not be read, by their place in the chunk from 0
 * @property string                  $payload
 */
final class ColumnChunk extends Model
{
    use BootsByName;

    protected $table = 'column_chunks';

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = null;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['encoding' => ChunkEncoding::class, 'unread' => 'array', 'variable_id' => 'integer', 'number' => 'integer', 'rows' => 'integer', 'since_revision' => 'integer'];
    }
}
