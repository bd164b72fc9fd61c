<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;

/**
 * Figures that somebody wants to see together.
 *
 * @property int          $id
 * @property int          $user_id
 * @property string       $name
 * @property list<string> $figures keys
 */
final class FigureSet extends Model
{
    use BootsByName;

    protected $table = 'figure_sets';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['figures' => 'array'];
    }
}
