<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A picture or a table held for the report of a dataset, as it was when it was kept.
 *
 * @property int                       $id
 * @property int                       $dataset_id
 * @property int                       $position
 * @property string                    $kind       picture, table, reading or text
 * @property string                    $title
 * @property string                    $note       somebody's own words as a document, see `OwnWords`; '' = none
 * @property string                    $content    SVG, the cells as JSON, a `KeptReading`, or nothing
 * @property string                    $basis      in words
 * @property string                    $place      of the dataset where it can be seen alive: profile or compare
 * @property string                    $address    the words of that place
 * @property int                       $revision   of the dataset
 * @property array<string, mixed>|null $asked      so that it can be asked for again
 * @property Carbon                    $created_at
 */
final class KeptItem extends Model
{
    use BootsByName;

    protected $table = 'kept_items';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['position' => 'integer', 'revision' => 'integer', 'asked' => 'array'];
    }
}
