<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One change of a dataset: who, when, in words, and what undoes it.
 *
 * @property int    $number
 * @property string $kind
 * @property string $summary
 */
final class Revision extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['inverse' => 'array'];
    }
}
