<?php

declare(strict_types=1);

namespace Tests\App\Imports;

use App\Imports\ImportFile;
use App\Imports\ReadInShares;
use App\Imports\ReadShare;
use App\Imports\RunImport;
use App\Imports\SweepImports;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportShare;
use App\Models\ImportStatus;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;

final class ReadInSharesTest extends AppTestCase
{
    private const HEAD = "Tag,Apiary,Weight,Mites,Seen,Note\n";

    protected function setUp(): void
    {
        parent::setUp();
        config(['intake.shares_from_bytes' => 1]);
    }

    #[DataProvider('files')]
    public function test_what_several_workers_read_is_to_the_byte_what_one_reads(string $content): void
    {
        $inShares = $this->dataset($content);
        self::assertSame(0, ImportShare::query()->count(), 'nothing is left of them');
        config(['intake.shares_from_bytes' => PHP_INT_MAX]);
        $alone = $this->dataset($content);

        self::assertGreaterThan(0, $alone->rows);
        self::assertSame(self::kept($alone), self::kept($inShares));
        foreach ($alone->variables as $variable) {
            $asked = "of={$variable->key}";
            self::assertSame($this->figuresOf($alone, $asked), $this->figuresOf($inShares, $asked), $variable->name);
        }
    }

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        $rows = self::rows(9_000);
        yield 'plain, over several chunks' => [self::HEAD . implode('', $rows)];
        yield 'marks about cells, a short row, blank lines and remarks' => [self::HEAD . "T1,\"Alder, east\",2.5,,2026-01-01,\"a\nb\"\n\n# checked\nT2,Brook\n" . implode('', array_slice($rows, 0, 300))];
        yield 'cells that cannot be read, and other line ends' => ["\u{FEFF}" . str_replace("\n", "\r\n", self::HEAD . implode('', array_slice($rows, 0, 2000)) . "T9,Alder,heavy,3,soon,calm\n")];
        yield 'very many values' => ["x,y,z\n" . implode('', array_map(static fn(int $i): string => ($i * 7919 % 100_003) / 1000 . ',' . sin($i) . ",\n", range(1, 70_000)))];
        yield 'no names' => ["1,2\n3,4\n5,6\n"];
    }

    public function test_the_columns_are_dealt_to_workers_and_the_last_one_publishes(): void
    {
        $import = $this->planned();
        self::assertSame(2, ImportShare::query()->count());
        Queue::assertPushedOn('shares', ReadShare::class);

        [$first, $second] = ImportShare::query()->orderBy('id')->get()->all();
        $columns = [...$first->columns, ...$second->columns];
        sort($columns);
        self::assertSame(range(0, 5), $columns);
        app(ReadInShares::class)->read($first);
        self::assertSame(ImportStatus::Running, $import->refresh()->status);
        app(ReadInShares::class)->read($first->refresh());
        self::assertSame(1, $first->refresh()->attempts, 'what is read is not read again');
        app(ReadInShares::class)->read($second);
        self::assertSame([ImportStatus::Done, 9_000], [$import->refresh()->status, $import->rows_read]);
        // Handed out once more, it finds nothing to do.
        app(ReadInShares::class)->read($second);
        self::assertSame(1, Dataset::query()->where('revision', 1)->count());
    }

    public function test_how_far_an_import_is_is_how_far_its_shares_are(): void
    {
        $import = $this->planned(self::HEAD . implode('', self::rows(60_000)));
        [$first, $second] = ImportShare::query()->orderBy('id')->get()->all();
        app(ReadInShares::class)->read($first);
        $seen = 0;
        DB::listen(static function ($query) use (&$seen, $import): void {
            if (str_starts_with($query->sql, 'insert into `column_chunks`')) {
                usleep(300_000);
            }
            if (str_starts_with($query->sql, 'update `imports` set `beat_at`')) {
                $seen = Import::query()->findOrFail($import->id)->bytes_read;
            }
        });
        app(ReadInShares::class)->read($second);

        self::assertGreaterThan($import->bytes_total / 2, $seen);
        self::assertLessThanOrEqual($import->bytes_total, $seen);
    }

    public function test_a_share_whose_worker_died_is_read_by_another_and_the_others_are_not(): void
    {
        $import = $this->planned();
        [$first, $second] = ImportShare::query()->orderBy('id')->get()->all();
        app(ReadInShares::class)->read($first);
        $this->stopInTheMiddle($second);
        self::assertGreaterThan(0, DB::table('column_chunks')->whereIn('variable_id', self::variablesOf($import, $second))->count());

        // Somebody may still be at it.
        $second->update(['taken' => 'somebody', 'beat_at' => time() - 10]);
        app(SweepImports::class)->imports();
        Queue::assertPushed(ReadShare::class, 2);
        $second->update(['beat_at' => time() - 31]);
        app(SweepImports::class)->imports();
        app(SweepImports::class)->imports();
        Queue::assertPushed(ReadShare::class, 3);
        app(ReadInShares::class)->read($second->refresh());

        self::assertSame([ImportStatus::Done, 1], [$import->refresh()->status, $import->attempts]);
        config(['intake.shares_from_bytes' => PHP_INT_MAX]);
        $again = $this->keeper->imports()->create([...$import->only('title', 'file_name', 'path', 'bytes_total', 'encoding'), 'status' => ImportStatus::Queued])->refresh();
        app(ImportFile::class)->import($again);
        self::assertSame(self::kept(Dataset::query()->findOrFail($again->refresh()->dataset_id)), self::kept(Dataset::query()->findOrFail($import->dataset_id)));
    }

    public function test_an_import_waits_for_workers_and_fails_when_three_have_failed(): void
    {
        $import = $this->planned();
        $import->update(['beat_at' => time() - 300]);
        app(SweepImports::class)->imports();
        self::assertSame(ImportStatus::Running, $import->refresh()->status, 'its shares only wait');
        ImportShare::query()->update(['beat_at' => time() - 61]);
        app(SweepImports::class)->imports();
        Queue::assertPushed(ReadShare::class, 4);

        ImportShare::query()->limit(1)->update(['taken' => 'somebody', 'beat_at' => time() - 31, 'attempts' => 3]);
        app(SweepImports::class)->imports();
        self::assertSame(ImportStatus::Failed, $import->refresh()->status);
        $this->assertDatabaseCount('datasets', 0);
        $this->assertDatabaseCount('import_shares', 0);
        Storage::assertMissing($import->path);
    }

    public function test_cancelling_stops_all_who_read_and_leaves_nothing(): void
    {
        $import = $this->planned();
        [$first, $second] = ImportShare::query()->orderBy('id')->get()->all();
        app(ReadInShares::class)->read($first);
        $this->whenItWrites(fn() => $this->postJson("/api/imports/{$import->id}/cancel")->assertOk());
        app(ReadInShares::class)->read($second);

        self::assertSame(ImportStatus::Cancelled, $import->refresh()->status);
        foreach (['datasets', 'variables', 'column_chunks', 'import_shares'] as $table) {
            $this->assertDatabaseCount($table, 0);
        }
    }

    public function test_what_a_worker_still_does_after_its_share_was_taken_from_it_counts_no_more(): void
    {
        $import = $this->planned();
        $second = ImportShare::query()->orderByDesc('id')->firstOrFail();
        $this->whenItWrites(static fn() => ImportShare::query()->whereKey($second->id)->update(['taken' => 'another']));
        app(ReadInShares::class)->read($second);

        self::assertSame([null, 'another'], [$second->refresh()->done, $second->taken]);
        self::assertSame(ImportStatus::Running, $import->refresh()->status);
        self::assertNotNull($import->dataset, 'it is still being written by others');
    }

    public function test_a_file_that_turns_out_to_be_no_table_goes_back_to_its_owner(): void
    {
        $import = $this->planned(self::HEAD . implode('', self::rows(9_000)) . "T1,Alder,1,2,2026-01-01,calm,more\n");
        foreach (ImportShare::query()->orderBy('id')->get() as $share) {
            app(ReadInShares::class)->read($share);
        }

        self::assertSame(ImportStatus::Waiting, $import->refresh()->status);
        self::assertStringContainsString('9002', str_replace(',', '', (string) $import->error));
        $this->assertDatabaseCount('datasets', 0);
        $this->assertDatabaseCount('import_shares', 0);
        Storage::assertExists($import->path);
    }

    public function test_a_worker_of_another_version_leaves_a_share_to_those_who_planned_it(): void
    {
        $import = $this->planned();
        $share = ImportShare::query()->orderBy('id')->firstOrFail();
        $planned = $share->recognised;
        $share->update(['recognised' => str_repeat('0', 64)]);
        self::assertFalse(app(ReadInShares::class)->read($share));
        self::assertSame([null, 1], [$share->refresh()->taken, $share->attempts]);

        $share->update(['recognised' => $planned, 'beat_at' => time() - 61]);
        app(SweepImports::class)->imports();
        Queue::assertPushed(ReadShare::class, 3);
        foreach (ImportShare::query()->get() as $one) {
            self::assertTrue(app(ReadInShares::class)->read($one));
        }
        self::assertSame(ImportStatus::Done, $import->refresh()->status);
    }

    public function test_a_share_that_no_version_knows_any_more_is_planned_anew(): void
    {
        $import = $this->planned();
        $share = ImportShare::query()->orderBy('id')->firstOrFail();
        $share->update(['recognised' => str_repeat('0', 64)]);
        foreach ([1, 2, 3] as $look) {
            self::assertFalse(app(ReadInShares::class)->read($share->refresh()));
        }
        self::assertSame([ImportStatus::Queued, null], [$import->refresh()->status, $import->dataset_id]);
        $this->assertDatabaseCount('import_shares', 0);
        $this->assertDatabaseCount('datasets', 0);
        Queue::assertPushed(RunImport::class, 1);
    }

    public function test_a_file_that_is_not_whole_where_a_share_is_read_is_not_read(): void
    {
        $import = $this->planned();
        Storage::put($import->path, 'half');
        app(ReadInShares::class)->read(ImportShare::query()->orderBy('id')->firstOrFail());

        self::assertSame(ImportStatus::Waiting, $import->refresh()->status);
        self::assertStringContainsString('The disk of the server is full', (string) $import->error);
    }

    public function test_an_import_whose_last_worker_died_before_it_published_is_published(): void
    {
        $import = $this->planned();
        foreach (ImportShare::query()->orderBy('id')->get() as $share) {
            DB::listen(static function ($query): void {
                throw_if(str_starts_with($query->sql, 'insert into `revisions`'), new \Exception('killed'));
            });
            try {
                app(ReadInShares::class)->read($share);
            } catch (\Exception $killed) {
                self::assertStringContainsString('killed', $killed->getMessage());
            }
        }
        DB::getEventDispatcher()?->forget(\Illuminate\Database\Events\QueryExecuted::class);
        self::assertSame(ImportStatus::Running, $import->refresh()->status);

        ImportShare::query()->update(['beat_at' => time() - 61]);
        app(SweepImports::class)->imports();
        app(ReadInShares::class)->read(ImportShare::query()->firstOrFail());
        self::assertSame(ImportStatus::Done, $import->refresh()->status);
    }

    /** An import that is dealt out and that nobody reads yet. */
    private function planned(?string $content = null): Import
    {
        Queue::fake();
        $content ??= self::HEAD . implode('', self::rows(9_000));
        Storage::put('uploads/x.csv', $content);
        $import = $this->keeper->imports()->create(['title' => 'x', 'file_name' => 'x.csv', 'path' => 'uploads/x.csv', 'status' => ImportStatus::Queued, 'bytes_total' => strlen($content), 'encoding' => 'utf-8'])->refresh();
        app(ImportFile::class)->import($import);

        return $import->refresh();
    }

    /** @return array<string, list<int|float|string|null>> */
    private function figuresOf(Dataset $dataset, string $words): array
    {
        return $this->figures($this->profile($dataset, $words));
    }

    /** @return list<string> */
    private static function rows(int $count): array
    {
        return array_map(static fn(int $i): string => "T{$i}," . ['Alder', 'Brook', ''][$i % 3] . ',' . ($i % 7 === 0 ? '' : $i % 997 / 8) . ',' . $i % 13 . ',2026-0' . (1 + $i % 9) . '-11,' . ($i % 2 === 0 ? 'calm' : "busy {$i}") . "\n", range(1, $count));
    }

    private function whenItWrites(\Closure $do): void
    {
        $done = false;
        DB::listen(static function ($query) use ($do, &$done): void {
            if (!$done && str_starts_with($query->sql, 'insert into `column_chunks`')) {
                $done = true;
                $do();
                usleep(300_000);
            }
        });
    }

    private function stopInTheMiddle(ImportShare $share): void
    {
        $share->update(['taken' => 'somebody']);
        $ids = self::variablesOf(Import::query()->findOrFail($share->import_id), $share);
        DB::table('column_chunks')->insert(['variable_id' => $ids[0], 'number' => 0, 'since_revision' => 1, 'encoding' => 'int8', 'rows' => 8192, 'missing' => 0, 'payload' => 'half']);
    }

    /** @return list<int> */
    private static function variablesOf(Import $import, ImportShare $share): array
    {
        return DB::table('variables')->where('dataset_id', $import->dataset_id)->whereIn('position', $share->columns)->orderBy('position')->pluck('id')->all();
    }

    /**
     * All that is kept of a dataset, but for its numbers and times.
     *
     * @return array<string, mixed>
     */
    private static function kept(Dataset $dataset): array
    {
        $plain = static fn(iterable $rows, string ...$without): array => array_map(static fn(object $row): array => array_diff_key((array) $row, array_flip($without)), [...$rows]);
        $kept = ['dataset' => $plain(DB::table('datasets')->where('id', $dataset->id)->get(), 'id', 'created_at', 'updated_at')];
        $kept['revisions'] = $plain(DB::table('revisions')->where('dataset_id', $dataset->id)->get(), 'id', 'dataset_id', 'created_at', 'updated_at');
        foreach ($dataset->variables as $place => $variable) {
            $kept["variable {$place}"] = $plain(DB::table('variables')->where('id', $variable->id)->get(), 'id', 'dataset_id', 'created_at', 'updated_at');
            // Those of very many values name the rows of their buckets; what comes of them is compared by profile.
            $tallies = DB::table('tally_buckets')->where('variable_id', $variable->id)->exists() ? [] : ['tallies' => 'payload'];
            foreach (['column_chunks' => 'number', ...$tallies, 'variable_versions' => 'since_revision'] as $table => $order) {
                $kept["{$table} {$place}"] = $plain(DB::table($table)->where('variable_id', $variable->id)->orderBy($order)->get(), 'id', 'variable_id', 'created_at', 'updated_at', 'used_at');
            }
        }

        return $kept;
    }
}
