<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A report of a dataset: its document (`ReportDocument`) as it is in force, and where undo and redo lead.
 *
 * @property int                      $id
 * @property int                      $dataset_id
 * @property string                   $title         of the document, for lists
 * @property int                      $version       the one in force
 * @property int                      $last_version  the last that can be done again
 * @property string                   $document      as JSON
 * @property string|null              $place         the block behind which what is kept is put; null = the end
 * @property string|null              $seen          figures as JSON, as they were when somebody last looked
 * @property int|null                 $seen_revision of the data, then
 * @property Carbon                   $updated_at
 * @property Dataset                  $dataset
 * @property Collection<int, Edition> $editions
 */
final class Report extends Model
{
    use BootsByName;

    protected $table = 'reports';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['version' => 'integer', 'last_version' => 'integer', 'seen_revision' => 'integer'];
    }

    /** @return BelongsTo<Dataset, $this> */
    public function dataset(): BelongsTo
    {
        return $this->belongsTo(Dataset::class);
    }

    /** @return HasMany<Edition, $this> the latest first */
    public function editions(): HasMany
    {
        $editions = $this->hasMany(Edition::class);
        $editions->orderByDesc('number');

        return $editions;
    }
}
