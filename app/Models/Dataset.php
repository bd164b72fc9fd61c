<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Readings\RowWord;

/**
 * Rows × variables. Revision 0 is a draft that an import is still writing; nobody sees it.
 *
 * @property int                       $id
 * @property int                       $user_id         whose it is; of a team's, who answers for it there
 * @property int|null                  $team_id         the team that it is of
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
 * @property int                       $set_aside       how many rows no figure counts
 * @property int|null                  $source_bytes    of the file that the rows come from
 * @property string|null               $source_sha256
 * @property Carbon                    $updated_at
 * @property User                      $user
 * @property Team|null                 $team
 * @property Collection<int, Share>    $shares          the parts that others have in it
 * @property Collection<int, Variable> $variables       in the order of the file
 * @property Collection<int, Variable> $allVariables    also those that can be brought back
 * @property int                       $variables_count only where it was counted
 */
final class Dataset extends Model
{
    use BootsByName;

    /** Of more, rows are not called by their names: to find one is to read the columns. */
    private const NAMED_ROWS = 200_000;

    protected $table = 'datasets';

    protected $guarded = [];

    /** @var array<int, Variable> by revision */
    private array $asideAt = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['is_even' => 'boolean', 'rows' => 'integer', 'revision' => 'integer', 'set_aside' => 'integer', 'source_bytes' => 'integer'];
    }

    /** With the counts in them as whoever reads them writes them. */
    protected function notes(): Attribute
    {
        return Attribute::make(
            get: static fn(mixed $kept): array => array_map(NumberMarks::inForce()->read(...), array_values(array_filter(is_string($kept) ? (array) json_decode($kept, true) : [], is_string(...)))),
            set: static fn(array $notes): string => json_encode($notes, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
        );
    }

    /** The variable that says what rows are called; null without one, and where they are so many that a name would have to be looked for. */
    public function rowNames(): ?Variable
    {
        return $this->rows > self::NAMED_ROWS ? null : $this->variables->firstWhere('type', VariableType::Id);
    }

    /** What those who do not own it call its owner. */
    public function ownerName(): string
    {
        return $this->team === null ? $this->user->name : $this->team->name;
    }

    /**
     * Datasets that whoever owns this one owns too.
     *
     * @return Builder<self>
     */
    public function ofSameOwner(): Builder
    {
        $all = self::query()->where('revision', '>', 0);

        if ($this->team_id === null) {
            $all->whereNull('team_id')->where('user_id', $this->user_id);
        } else {
            $all->where('team_id', $this->team_id);
        }

        return $all;
    }

    public function rowWord(): RowWord
    {
        return $this->row_one === null ? new RowWord() : new RowWord($this->row_one, $this->row_many ?? "{$this->row_one}s");
    }

    /**
     * A question about a dataset is one about its variables: they come along, in one exchange with the database.
     *
     * @param mixed       $value
     * @param string|null $field
     */
    public function resolveRouteBinding($value, $field = null): ?Model
    {
        // Within a transaction statements are prepared one by one; and of what is changed nothing is held that was so before.
        if ($field !== null || !is_string($value) || !ctype_digit($value) || !request()->isMethod('GET') || DB::transactionLevel() > 0) {
            return parent::resolveRouteBinding($value, $field);
        }
        [$datasets, $variables] = DB::selectResultSets(
            'select * from datasets where id = ?; select * from variables where dataset_id = ? and deleted_revision is null and role is null order by position, id',
            [$value, $value],
        );
        $dataset = $this->newQuery()->hydrate((array) $datasets)->first();
        $dataset?->setRelation('variables', Variable::query()->hydrate((array) $variables));

        return $dataset;
    }

    /** @return HasMany<Variable, $this> in the order of the file; `resolveRouteBinding` reads the same */
    public function variables(): HasMany
    {
        $variables = $this->hasMany(Variable::class);
        $variables->where('deleted_revision', '=', null)->where('role', '=', null)->orderBy('position')->orderBy('id');

        return $variables;
    }

    /** @return HasMany<Variable, $this> those that can be brought back too, and the reasons of rows set aside */
    public function allVariables(): HasMany
    {
        $variables = $this->hasMany(Variable::class);
        $variables->orderBy('position')->orderBy('id');

        return $variables;
    }

    /** The reasons of rows set aside, a label each; null where there is no such row. */
    public function aside(): ?Variable
    {
        if ($this->set_aside === 0) {
            return null;
        }
        if (!isset($this->asideAt[$this->revision])) {
            $query = Variable::query();
            $query->where('dataset_id', '=', $this->id)->where('role', '=', Variable::ASIDE)->whereNull('deleted_revision');
            $aside = $query->get()->first();
            $this->asideAt = $aside === null ? [] : [$this->revision => $aside];
        }

        return $this->asideAt[$this->revision] ?? null;
    }

    /** @return BelongsTo<Team, $this> */
    public function team(): BelongsTo
    {
        return $this->belongsTo(Team::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<Share, $this> */
    public function shares(): HasMany
    {
        return $this->hasMany(Share::class);
    }

    /** @return HasMany<Report, $this> the one that was changed last first */
    public function reports(): HasMany
    {
        $reports = $this->hasMany(Report::class);
        $reports->orderByDesc('updated_at')->orderByDesc('id');

        return $reports;
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }
}
