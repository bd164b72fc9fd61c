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
 * A report as it was handed over: it never changes, whatever becomes of the data.
 *
 * @property int                          $id
 * @property int                          $report_id
 * @property int                          $number
 * @property string                       $title
 * @property string                       $note
 * @property int                          $revision  of the dataset
 * @property string                       $paper     a `Paper` as JSON
 * @property string                       $record    what it is checked against, as JSON
 * @property string                       $content   SHA-256 of what it says, by which the same is recognised
 * @property string|null                  $rows_path where the rows are kept that go along; null = they do not
 * @property Carbon                       $made_at
 * @property Report                       $report
 * @property Collection<int, EditionFile> $files
 * @property Collection<int, ReportLink>  $links
 */
final class Edition extends Model
{
    use BootsByName;

    protected $table = 'editions';

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['number' => 'integer', 'revision' => 'integer', 'made_at' => 'datetime'];
    }

    /** @return BelongsTo<Report, $this> */
    public function report(): BelongsTo
    {
        return $this->belongsTo(Report::class);
    }

    /** The one that was handed over before it. */
    public function before(): ?self
    {
        $before = self::query();
        $before->where('report_id', $this->report_id)->where('number', '<', $this->number)->orderByDesc('number');

        return $before->first();
    }

    /** @return HasMany<EditionFile, $this> */
    public function files(): HasMany
    {
        $files = $this->hasMany(EditionFile::class);
        $files->orderBy('form')->orderBy('size');

        return $files;
    }

    /** @return HasMany<ReportLink, $this> the latest first */
    public function links(): HasMany
    {
        $links = $this->hasMany(ReportLink::class);
        $links->orderByDesc('id');

        return $links;
    }
}
