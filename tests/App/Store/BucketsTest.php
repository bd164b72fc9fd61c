<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Models\Dataset;
use App\Store\StoredColumns;
use App\Store\Tallies;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Values\BucketedValues;
use Tests\App\AppTestCase;

/** Variables with very many values: kept in buckets, read in part, carried over after an edit. */
final class BucketsTest extends AppTestCase
{
    private const ROWS = 70_000;

    public function test_figures_from_kept_buckets_are_those_of_the_rows_and_only_some_are_read(): void
    {
        $dataset = $this->manyValues();
        $before = $this->profile($dataset, 'of=x&by=g');
        self::assertGreaterThan(30, DB::table('tally_buckets')->count());
        DB::table('column_chunks')->delete();
        self::assertSame($before, $this->profile($dataset, 'of=x&by=g'));

        DB::enableQueryLog();
        $this->getJson("/api/datasets/{$dataset->id}/overview?of=x&quartiles=hf7")->assertOk();
        $read = array_filter(DB::getQueryLog(), static fn(array $query): bool => str_contains($query['query'], '`tally_buckets`'));
        self::assertLessThan(DB::table('tally_buckets')->where('grouping', '')->count(), array_sum(array_map(static fn(array $query): int => count($query['bindings']), $read)));
        DB::disableQueryLog();
    }

    public function test_the_numbers_of_buckets_need_not_follow_one_another(): void
    {
        // As each node of a cluster numbers them.
        DB::statement('set session auto_increment_increment = 3, auto_increment_offset = 2');
        $dataset = $this->manyValues();
        $before = $this->profile($dataset, 'of=x&by=g');
        self::assertSame([3], array_values(array_unique(array_map(static fn(mixed $id): int => (int) $id % 3 + 1, DB::table('tally_buckets')->pluck('id')->all()))));
        DB::table('column_chunks')->delete();

        self::assertSame($before, $this->profile($dataset, 'of=x&by=g'));
    }

    public function test_classes_between_round_edges_look_into_no_bucket(): void
    {
        $dataset = $this->manyValues();
        $before = $this->profile($dataset, 'of=x&figures=n');
        $outermost = DB::table('tally_buckets')->where('grouping', '')->selectRaw('MIN(id) AS first, MAX(id) AS last')->first();
        self::assertNotNull($outermost);
        // Those of the quartiles, which the width of the classes goes by, and the outermost.
        $quartiles = [];
        DB::listen(static function (QueryExecuted $query) use (&$quartiles): void {
            if (str_contains($query->sql, '`tally_buckets`')) {
                $quartiles = [...$quartiles, ...$query->bindings];
            }
        });
        self::assertSame($before, $this->profile($dataset, 'of=x&figures=n'));
        self::assertGreaterThan(20, count($before['sheets'][0]['frequencies']['rows']));
        self::assertLessThanOrEqual(8, count(array_unique($quartiles)));
    }

    /** With all values held until the answer is sent, which the test client waits for, and with none: then they are counted again. */
    public function test_what_is_kept_after_the_answer_is_the_same_whether_it_was_held_or_not(): void
    {
        $dataset = $this->manyValues();
        $kept = [];
        foreach ([1 << 40, 0] as $held) {
            DB::table('tallies')->delete();
            DB::table('tally_buckets')->delete();
            config()->set('app.values_held', $held);
            // As where somebody waits for the answer.
            (fn(): bool => $this->isRunningInConsole = false)->call($this->app);
            $shown = $this->profile($dataset, 'of=x&by=g');
            (fn(): bool => $this->isRunningInConsole = true)->call($this->app);
            $kept[] = [
                $shown,
                DB::table('tallies')->where('kind', 'values')->orderBy('grouping')->pluck('grouping')->all(),
                DB::table('tally_buckets')->orderBy('grouping')->orderBy('id')->pluck('payload')->map(md5(...))->all(),
            ];
        }
        self::assertCount(2, $kept[0][1]);
        self::assertSame($kept[0], $kept[1]);
    }

    public function test_an_edit_carries_the_buckets_over_and_sweeps_what_nobody_names(): void
    {
        $dataset = $this->manyValues();
        $this->profile($dataset, 'of=x');
        $kept = DB::table('tally_buckets')->where('grouping', '')->count();
        foreach ([[1, '123456.5'], [2, '-9999999.5'], [3, '99999999999.5'], [1, '']] as $i => [$row, $text]) {
            $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $i + 1, 'kind' => 'edit-cells', 'edits' => [['variable' => 'x', 'row' => $row, 'text' => $text]], 'anyway' => true])->assertSuccessful();
            $dataset->refresh()->unsetRelations();
            $variable = $dataset->variables->firstWhere('key', 'x');
            self::assertNotNull($variable);
            self::assertSame(1, DB::table('tallies')->where(['variable_id' => $variable->id, 'grouping' => '', 'revision' => $dataset->revision])->count(), 'it must have been carried over');
            $carried = (new Tallies())->whole($variable, $dataset->revision);
            $anew = TallyColumn::whole(StoredColumns::number($variable, $dataset->revision));

            self::assertInstanceOf(BucketedValues::class, $carried->values);
            self::assertSame($anew->values->counted()->toBytes(), $carried->values->counted()->toBytes());
            self::assertSame($anew->missing, $carried->missing);
            self::assertNotNull($carried->values->roundCounts?->below(10 ** 8));
            foreach (range(-10 ** 8, 10 ** 9, 10 ** 6) as $round) {
                self::assertSame($anew->values->countBelowUnscaled($round), $carried->values->countBelowUnscaled($round));
            }
        }
        self::assertLessThanOrEqual($kept + 8, DB::table('tally_buckets')->where('grouping', '')->count());
    }

    public function test_rows_set_aside_leave_the_figures_of_kept_buckets(): void
    {
        $dataset = $this->manyValues();
        $figures = 'figures=n,missing,mean,sd,min,q1,median,q3,max,skewness,kurtosis,shapiro_wilk_w,anderson_darling_a2';
        $this->profile($dataset, 'of=x&by=g');
        $rows = range(100, 60_000, 75);
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'set-aside', 'rows' => $rows, 'reason' => 'moved'])->assertCreated();
        $told = $this->profile($dataset->refresh(), "of=x&by=g&{$figures}");
        self::assertSame([self::ROWS - count($rows), 1], [$told['rows'], DB::table('tallies')->where('grouping', 'like', 'by:%aside:%')->where('kind', 'values')->count()]);
        // The same rows, never brought in.
        $without = $this->profile($this->manyValues($rows), "of=x&by=g&{$figures}");
        // Compensated sums in another order differ in their last digits.
        $texts = static fn(array $profile): array => array_map(static fn(array $figure): array => [$figure['key'], ...array_column($figure['values'], 'text')], $profile['sheets'][0]['figures']);
        self::assertSame($texts($without), $texts($told));
        self::assertSame($without['sheets'][0]['frequencies'], $told['sheets'][0]['frequencies']);
        self::assertSame($told['sheets'][0]['figures'], $this->profile($dataset, "of=x&by=g&{$figures}")['sheets'][0]['figures'], 'and again');
    }

    /** @param list<int> $without rows that are left out */
    private function manyValues(array $without = []): Dataset
    {
        $rows = "g,x\n";
        for ($i = 1; $i <= self::ROWS; ++$i) {
            if (in_array($i, $without, true)) {
                continue;
            }
            $rows .= 'ab'[$i % 2] . ',' . ($i * 7919 % 69_997) * 1000 . '.' . $i % 10 . "\n";
        }

        return $this->dataset($rows);
    }
}
