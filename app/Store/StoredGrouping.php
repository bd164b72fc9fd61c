<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Columns\RowsMarked;
use RowTally\Core\Formula\Functions;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\RowGrouping;

/**
 * Which rows of a dataset a question is about, and into which groups they fall. All rows, or all rows by one category, are the
 * plain ones, also without those set aside: what was counted of those outlives changes to other variables. Which rows are in is worked out only when
 * something has to be counted.
 */
final class StoredGrouping
{
    private ?RowGrouping $grouping = null;
    private ?StoredTable $table = null;
    private ?RowsMarked $setAside = null;

    /**
     * @param list<Variable>          $by
     * @param list<Variable>          $complete
     * @param list<list<string|null>> $labels   of each group, one for each splitting variable; null = no entry
     */
    private function __construct(
        private readonly Dataset $dataset,
        private readonly Tallies $tallies,
        public readonly array $by,
        private readonly array $complete,
        public readonly ?Variable $counts,
        private readonly Basis $basis,
        public readonly string $key,
        private readonly bool $isPlain,
        /** The reasons of rows that are set aside; null where there are none. */
        public readonly ?Variable $aside,
        public array $labels = [],
        /** How many rows are in. */
        public int $rows = 0,
    ) {}

    public static function of(Dataset $dataset, Question $question, Tallies $tallies): self
    {
        $byKey = $dataset->variables->keyBy('key');
        $variable = static fn(string $key): Variable => $byKey->get($key) ?? throw UnknownVariable::named($key);
        $by = array_map($variable, $question->by);
        foreach ($by as $split) {
            if ($split->type !== VariableType::Category && $split->type !== VariableType::Number) {
                throw UnknownVariable::makesNoGroups($split->name);
            }
        }
        $counts = $question->counts === null ? null : $variable($question->counts);
        if ($counts !== null && $counts->type !== VariableType::Number) {
            throw UnknownVariable::makesNoCounts($counts->name);
        }
        $complete = $question->basis->missingRows === MissingRows::PerVariable ? [] : [...array_map($variable, $question->of), ...$by, ...($counts === null ? [] : [$counts])];
        $where = $question->basis->where;
        $aside = $dataset->aside();
        $isPlain = $where === null && $complete === [] && $counts === null && count($by) <= 1 && ($by === [] || $by[0]->type === VariableType::Category);
        $key = match (true) {
            $isPlain => self::plainKey($by, $aside),
            default => sha1(json_encode([array_column($by, 'id'), $where, array_column($complete, 'id'), $counts?->id, $question->basis->classEdge->value, $aside?->id, ...self::fencesIn($where, $question->basis)], JSON_THROW_ON_ERROR)),
        };
        $rowGrouping = new self($dataset, $tallies, $by, $complete, $counts, $question->basis, $key, $isPlain, $aside);
        if ($isPlain) {
            $rowGrouping->rows = $dataset->rows - $dataset->set_aside;
            $rowGrouping->labels = $by === [] ? [] : array_map(static fn(?string $label): array => [$label], [...$by[0]->dictionary, ...($by[0]->missing > 0 ? [null] : [])]);
        } else {
            $rowGrouping->readGroups();
            $rowGrouping->labels = GroupLabels::written($by, $rowGrouping->labels);
        }

        return $rowGrouping;
    }

    /** @param list<Variable> $by none or one */
    public static function plainKey(array $by, ?Variable $aside): string
    {
        return implode(',', [...($by === [] ? [] : ["by:{$by[0]->id}"]), ...($aside === null ? [] : ["aside:{$aside->id}"])]);
    }

    /** @return list<int> the groups that are shown, from 0: all, or those where no entry is missing */
    public function shownGroups(bool $showsNoEntry): array
    {
        return array_keys(array_filter($this->labels, static fn(array $labels): bool => $showsNoEntry || !in_array(null, $labels, true)));
    }

    public function isPlain(): bool
    {
        return $this->isPlain;
    }

    /** The revision since which what is counted of a variable by this grouping holds. */
    public function since(Variable $variable): int
    {
        return $this->isPlain ? max(array_map(static fn(Variable $own): int => $own->data_revision, [$variable, ...$this->by, ...($this->aside === null ? [] : [$this->aside])])) : $this->dataset->revision;
    }

    /**
     * The tallies of its values that `Tallies::numbers()` asks for, and what `Facts` keeps beside them.
     *
     * @return non-empty-list<array{TallyKind, string, int}> as `TallyStore::readAhead()` takes them
     */
    public function talliesOf(Variable $variable): array
    {
        $since = $this->since($variable);
        $tallies = array_map(fn(TallyKind $kind): array => [$kind, $this->key, $since], [TallyKind::Values, TallyKind::Shapes, TallyKind::Normality]);
        if ($this->isPlain && $this->key !== '') {
            $tallies[] = [TallyKind::Values, '', $variable->data_revision];
        }
        if ($this->isPlain && $this->aside !== null) {
            foreach ($this->by as $split) {
                $tallies[] = [TallyKind::Values, self::plainKey([$split], null), max($variable->data_revision, $split->data_revision)];
            }
        }

        return $tallies;
    }

    /** The rows that are set aside. */
    public function setAside(): RowsMarked
    {
        return $this->setAside ??= RowsMarked::by($this->aside === null ? [] : StoredColumns::payloads($this->aside->id, $this->dataset->revision));
    }

    public function grouping(): RowGrouping
    {
        $name = static fn(Variable $variable): string => $variable->name;

        return $this->grouping ??= RowGrouping::of($this->table(), array_map($name, $this->by), array_map($name, $this->complete), $this->basis);
    }

    public function table(): StoredTable
    {
        return $this->table ??= new StoredTable($this->dataset, $this->tallies);
    }

    /**
     * What a condition says of outliers is another for other fences.
     *
     * @return list<string>
     */
    public static function fencesIn(?string $where, Basis $basis): array
    {
        return stripos($where ?? '', Functions::Outlier->value) === false ? [] : [$basis->quartileRule->value, $basis->innerFence];
    }

    private function readGroups(): void
    {
        $key = ['dataset_id' => $this->dataset->id, 'grouping' => $this->key];
        $known = DB::table('row_groupings')->where([...$key, 'revision' => $this->dataset->revision])->first();
        if ($known !== null && is_string($known->labels) && is_numeric($known->rows)) {
            /** @var list<list<string|null>> $labels */
            $labels = json_decode($known->labels, true, flags: JSON_THROW_ON_ERROR);
            $this->labels = $labels;
            $this->rows = (int) $known->rows;
            DerivedRoom::touch('row_groupings', $key, $known->used_at);

            return;
        }
        $this->labels = $this->grouping()->labels;
        $this->rows = $this->grouping()->rows;
        DB::table('row_groupings')->where($key)->delete();
        DB::table('row_groupings')->insertOrIgnore([...$key, 'revision' => $this->dataset->revision, 'rows' => $this->rows, 'labels' => json_encode($this->labels, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), 'used_at' => time()]);
        $trim = fn() => DerivedRoom::trimGroupings($this->dataset->id, $this->dataset->revision);
        if (app()->runningInConsole()) {
            $trim();
        } else {
            defer($trim)->always();
        }
    }
}
