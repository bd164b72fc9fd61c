<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Illuminate\Support\Facades\DB;
use RowTally\Core\EntryCheck\CheckLine;
use RowTally\Core\EntryCheck\NumberEntries;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\NearLabels;
use RowTally\Core\Parsing\VariableType;

/** The entry check: what somebody looks at before they trust the rows, each line with the condition that shows its cells. */
final readonly class CheckEntries
{
    public function __construct(private Tallies $tallies) {}

    /** @return list<array{variable: Variable, line: CheckLine, looked_at: bool}> */
    public function of(Dataset $dataset): array
    {
        $looked = DB::table('looked_at')->where('dataset_id', $dataset->id)->pluck('revision', 'line')->all();
        $found = [];
        foreach ($dataset->variables as $variable) {
            foreach ($this->lines($variable, $dataset) as $line) {
                $seen = $looked["{$variable->key}:{$line->code}"] ?? null;
                $found[] = ['variable' => $variable, 'line' => $line, 'looked_at' => is_numeric($seen) && (int) $seen >= $variable->data_revision];
            }
        }

        return $found;
    }

    public function lookedAt(Dataset $dataset, string $line, bool $isLookedAt): void
    {
        $key = ['dataset_id' => $dataset->id, 'line' => $line];
        if ($isLookedAt) {
            DB::table('looked_at')->upsert([[...$key, 'revision' => $dataset->revision]], ['dataset_id', 'line'], ['revision']);
        } else {
            DB::table('looked_at')->where($key)->delete();
        }
    }

    /** @return list<CheckLine> */
    private function lines(Variable $variable, Dataset $dataset): array
    {
        $name = Formula::name($variable->name);
        $lines = [];
        if ($variable->unread > 0) {
            $lines[] = new CheckLine('unread', $variable->unread === 1 ? 'One entry could not be read' : NumberMarks::count($variable->unread) . ' entries could not be read', implode('   ', array_column(UnreadCells::of($variable, $dataset->revision, 5), 'text')), "missing({$name})", true);
        }
        if ($variable->missing > $variable->unread) {
            $lines[] = new CheckLine('missing', NumberMarks::count($variable->missing - $variable->unread) . ' of ' . NumberMarks::count($dataset->rows) . ' rows have no entry', '', "missing({$name})", false);
        }
        if ($variable->type === VariableType::Number) {
            $lines = [...$lines, ...NumberEntries::of($this->tallies->whole($variable, $dataset->revision)->values, $name)];
        }
        if ($variable->type === VariableType::Category) {
            foreach (NearLabels::of($variable->dictionary, $variable->label_counts) as ['from' => $from, 'to' => $to]) {
                $quote = static fn(string $label): string => "'" . str_replace("'", "''", $label) . "'";
                $lines[] = new CheckLine('near:' . mb_substr($from, 0, 40), "“{$from}” may be meant as “{$to}”", '', "{$name} = {$quote($from)} or {$name} = {$quote($to)}", true);
            }
        }

        return $lines;
    }
}
