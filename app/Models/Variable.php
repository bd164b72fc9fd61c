<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use RowTally\Core\Parsing\VariableType;

/**
 * One variable of a dataset; its values are in its column chunks.
 *
 * @property int                                                          $id
 * @property int                                                          $dataset_id
 * @property int                                                          $position
 * @property string                                                       $key              names the variable in addresses; unique in the dataset
 * @property string                                                       $name             as it stands in the file
 * @property VariableType                                                 $type
 * @property string|null                                                  $unit
 * @property string|null                                                  $label            a shorter or fuller name for plots and tables
 * @property string|null                                                  $description
 * @property list<string>                                                 $missing_marks    texts that stand for no value
 * @property int|null                                                     $decimals         null = doubles, or no numbers
 * @property int                                                          $missing
 * @property int                                                          $unread           cells that are kept as text because they are not numbers; counted in missing
 * @property list<string>                                                 $dictionary       what byte codes 1, 2, … stand for
 * @property int                                                          $data_revision    the revision that last changed its values
 * @property array{formula: string, inputs: list<int>, frozen: bool}|null $made             how it was made; null = it came in
 * @property int|null                                                     $shown_decimals   chosen by somebody; null = those of the data
 * @property int|null                                                     $deleted_revision the revision that deleted it
 * @property list<int>                                                    $micro_histogram  counts of the classes of the micro-plot; empty: no numbers, or not put in order yet; of a category the counts of its labels where rows are set aside
 * @property list<int>                                                    $label_counts     of the labels of a category
 * @property string|null                                                  $label_mark       what stands before decimals in labels that are classes
 * @property string|null                                                  $role             `ASIDE`: the reasons of rows set aside, which no list of variables shows
 * @property Dataset                                                      $dataset
 */
final class Variable extends Model
{
    use BootsByName;

    public const ASIDE = 'aside';

    protected $table = 'variables';

    public $timestamps = false;

    protected $guarded = [];

    protected $attributes = ['micro_histogram' => '[]', 'label_counts' => '[]'];

    /** @return list<int> what its micro-plot shows, the first on the left */
    public function microCounts(): array
    {
        return $this->type === VariableType::Category && $this->micro_histogram === [] ? $this->label_counts : $this->micro_histogram;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'type' => VariableType::class,
            'decimals' => 'integer',
            'missing' => 'integer',
            'unread' => 'integer',
            'dictionary' => 'array',
            'micro_histogram' => 'array',
            'label_counts' => 'array',
            'missing_marks' => 'array',
            'made' => 'array',
            'data_revision' => 'integer',
            'shown_decimals' => 'integer',
            'deleted_revision' => 'integer',
        ];
    }

    /** With its unit, as on an axis. */
    public function nameWithUnit(): string
    {
        return $this->unit === null ? $this->name : "{$this->name} ({$this->unit})";
    }

    /** @return BelongsTo<Dataset, $this> */
    public function dataset(): BelongsTo
    {
        return $this->belongsTo(Dataset::class);
    }
}
