<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;

/**
 * What a block holds that cannot be asked for again, as it was.
 *
 * @property int    $id
 * @property int    $dataset_id
 * @property string $kind       picture, table or reading
 * @property string $content    SVG, the cells as JSON, or a `KeptReading`
 * @property string $basis      in words
 * @property int    $revision   of the dataset, then
 */
final class HeldContent extends Model
{
    use BootsByName;

    protected $table = 'held_contents';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['revision' => 'integer'];
    }
}
