<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use RowTally\Core\Readings\RowWord;

/**
 * Rows × variables. Revision 0 is a draft that an import is still writing; nobody sees it.
 *
 * @property int                       $id
 * @property int                       $user_id
 * @property string                    $title
 * @property string|null               $source
 * @property string|null               $description
 * @property int                       $rows
 * @property int                       $revision
 * @property bool                      $is_even         whether all chunks are known to be full but the last
 * @property string|null               $counts          key of the variable that says how often each row counts, as it was answered on the way in
 * @property string|null               $counted         key of the variable of classes or values that they count
 * @property list<string>              $notes           what the reader of the file should know
 * @property string|null               $row_one         what a row is, in one word; null = a row
 * @property string|null               $row_many        the same for several
 * @property Carbon                    $updated_at
 * @property Collection<int, Variable> $variables       in the order of the file
 * @property Collection<int, Variable> $allVariables    also those that can be brought back
 * @property int                       $variables_count only where it was counted
 */
final class Dataset extends Model
{
    use BootsByName;

    protected $table = 'datasets';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['is_even' => 'boolean', 'notes' => 'array', 'rows' => 'integer', 'revision' => 'integer'];
    }

    public function rowWord(): RowWord
    {
        return $this->row_one === null ? new RowWord() : new RowWord($this->row_one, $this->row_many ?? "{$this->row_one}s");
    }

    /** @return HasMany<Variable, $this> in the order of the file */
    public function variables(): HasMany
    {
        $variables = $this->hasMany(Variable::class);
        $variables->where('deleted_revision', '=', null)->orderBy('position')->orderBy('id');

        return $variables;
    }

    /** @return HasMany<Variable, $this> those that can be brought back too */
    public function allVariables(): HasMany
    {
        $variables = $this->hasMany(Variable::class);
        $variables->orderBy('position')->orderBy('id');

        return $variables;
    }

    /** @return HasMany<KeptItem, $this> what is held for its report, in order */
    public function keptItems(): HasMany
    {
        $items = $this->hasMany(KeptItem::class);
        $items->orderBy('position')->orderBy('id');

        return $items;
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }
}
