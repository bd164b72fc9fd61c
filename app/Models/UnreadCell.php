<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A cell of a number variable that could not be read as a number, as it stands in the file.
 *
 * @property int    $row  from 1
 * @property string $text
 */
final class UnreadCell extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = null;

    protected $guarded = [];
}
