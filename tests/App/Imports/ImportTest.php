<?php

declare(strict_types=1);

namespace Tests\App\Imports;

use App\Imports\ImportFile;
use App\Imports\RunImport;
use App\Imports\SweepImports;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Models\Variable;
use App\Store\StoredColumns;
use App\Store\UnreadCells;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Parsing\VariableType;
use RowTally\Demo\DemoFiles;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

final class ImportTest extends AppTestCase
{
    /** @return iterable<string, array{string}> */
    public static function dialects(): iterable
    {
        yield 'commas' => ["tag,kg,type\nA1,1.5,x\nA2,-2,y\nA3,,x\n"];
        yield 'semicolons' => ["tag;kg;type\nA1;1.5;x\nA2;-2;y\nA3;;x\n"];
        yield 'tabs' => ["tag\tkg\ttype\nA1\t1.5\tx\nA2\t-2\ty\nA3\t\tx\n"];
        yield 'decimal commas' => ["tag;kg;type\nA1;1,5;x\nA2;-2;y\nA3;;x\n"];
        yield 'byte order mark' => ["\u{FEFF}tag,kg,type\nA1,1.5,x\nA2,-2,y\nA3,,x\n"];
        yield 'CRLF and no line break at the end' => ["tag,kg,type\r\nA1,1.5,x\r\nA2,-2,y\r\nA3,,x"];
        yield 'quotation marks' => ["\"tag\",\"kg\",\"type\"\n\"A1\",\"1.5\",\"x\"\n\"A2\",-2,y\nA3,\"\",x\n"];
        yield 'blank lines' => ["\n\ntag,kg,type\nA1,1.5,x\n\nA2,-2,y\nA3,,x\n\n"];
        yield 'delimiters at the end of lines' => ["tag,kg,type\nA1,1.5,x,\nA2,-2,y,,\nA3,,x\n"];
    }

    #[DataProvider('dialects')]
    public function test_one_table_in_every_dialect_is_the_same_dataset(string $content): void
    {
        $dataset = $this->dataset($content);
        $variables = $dataset->variables;

        self::assertSame(3, $dataset->rows);
        self::assertSame(['tag', 'kg', 'type'], $variables->pluck('name')->all());
        self::assertSame([VariableType::Id, VariableType::Number, VariableType::Category], $variables->pluck('type')->all());
        self::assertSame([0, 1, 0], $variables->pluck('missing')->all());
        self::assertSame(['A1', 'A2', 'A3'], StoredColumns::chunks($variables[0], 1)[0]->texts());
        self::assertEquals([-0.25, -0.5], [$this->figures($this->profile($dataset, 'of=kg'))['mean'][0], $this->figures($this->profile($dataset, 'of=kg'))['sum'][0]]);
    }

    public function test_cells_that_are_no_numbers_are_kept_with_their_row_and_counted(): void
    {
        $dataset = $this->dataset("kg\n5\nn/a\n7\n8\n\n–\n9\n");
        $variable = $dataset->variables[0];

        self::assertSame([7, 3, 2], [$dataset->rows, $variable->missing, $variable->unread]);
        self::assertSame([[2, 'n/a'], [6, '–']], array_map(array_values(...), UnreadCells::of($variable, 1, 10)));
        self::assertSame(['Cells that could not be read were kept as text and count as missing: kg (2).'], $dataset->notes);
        self::assertSame(
            ['total' => 2, 'first' => [['row' => 2, 'text' => 'n/a'], ['row' => 6, 'text' => '–']]],
            $this->profile($dataset, 'of=kg')['sheets'][0]['unread'],
        );
    }

    public function test_rows_that_are_too_short_are_filled_with_missing_and_said(): void
    {
        $dataset = $this->dataset("a,b,c\n1,2,3\n4\n5,6\n7,8,9\n");

        self::assertSame([0, 1, 2], $dataset->variables->pluck('missing')->all());
        self::assertSame(['2 rows have fewer cells than there are names (the first is line 3 of the file); the cells that are not there count as missing.'], $dataset->notes);
    }

    public function test_two_columns_with_the_same_name_get_names_of_their_own(): void
    {
        $dataset = $this->dataset("kg,kg,kg (kg)\n1,2,3\n4,5,6\n");

        self::assertSame(['kg', 'kg 2', 'kg (kg)'], $dataset->variables->pluck('name')->all());
        self::assertSame(['kg', 'kg-2', 'kg-kg'], $dataset->variables->pluck('key')->all());
        self::assertEquals([3.5], $this->figures($this->profile($dataset, 'of=kg-2'))['mean']);
    }

    public function test_one_column_is_a_table_too(): void
    {
        self::assertSame(3, $this->dataset("kg\n1\n2\n3\n")->rows);
        self::assertSame(',', $this->dataset("kg\n1,5\n2,5\n3,5\n")->rows === 3 ? ',' : '');
    }

    public function test_three_hundred_columns_are_all_there(): void
    {
        $row = static fn(callable $cell): string => implode(',', array_map($cell, range(1, 300))) . "\n";
        $dataset = $this->dataset($row(static fn(int $i): string => "v{$i}") . $row(static fn(int $i): string => "{$i}.5") . $row(static fn(int $i): string => "-{$i}"));

        self::assertCount(300, $dataset->variables);
        self::assertEquals([300.5 - 300], $this->figures($this->profile($dataset, 'of=v300'))['sum']);
        Contract::assertMeets('showDataset', $this->getJson("/api/datasets/{$dataset->id}")->assertOk());
    }

    public function test_hostile_names_and_cells_are_kept_as_they_stand(): void
    {
        $name = 'Hive "A" <script>alert(1)</script> שלום';
        $label = '</td><img src=x onerror=alert(1)> "שלום"';
        $quoted = static fn(string $cell): string => '"' . str_replace('"', '""', $cell) . '"';
        $dataset = $this->dataset("{$quoted($name)},kg\n{$quoted($label)},1\n'); DROP TABLE datasets; --,2\n", 'a "quoted" <b>title</b>.csv');

        self::assertSame($name, $dataset->variables[0]->name);
        self::assertSame([$label, "'); DROP TABLE datasets; --"], $dataset->variables[0]->dictionary);
        self::assertSame([$label], $this->profile($dataset, 'of=kg&by=' . $dataset->variables[0]->key)['groups'][0]['labels']);
    }

    public function test_an_id_is_recognised_in_files_of_any_size(): void
    {
        foreach ([1000, 20_000, 60_000] as $rows) {
            $content = "tag,row,kg\n";
            for ($i = 1; $i <= $rows; ++$i) {
                $content .= sprintf("AW-%06d,%d,%d.5\n", $i, $i, $i % 40);
            }
            $types = $this->dataset($content)->variables->pluck('type')->all();

            self::assertSame([VariableType::Id, VariableType::Id, VariableType::Number], $types, "{$rows} rows");
        }
    }

    public function test_labels_are_told_apart_as_exact_text(): void
    {
        $dataset = $this->dataset("g,x\n0,1\n00,2\nA,3\na,4\n á,5\n\"\",6\nA,7\n");

        self::assertSame(['0', '00', 'A', 'a', ' á'], $dataset->variables[0]->dictionary);
        self::assertSame(1, $dataset->variables[0]->missing);
    }

    public function test_a_first_line_of_numbers_is_a_row(): void
    {
        $dataset = $this->dataset("1,2\n3,4\n");

        self::assertSame(['Column 1', 'Column 2'], $dataset->variables->pluck('name')->all());
        self::assertSame(2, $dataset->rows);
        self::assertStringContainsString('first line holds no names', $dataset->notes[0]);
    }

    public function test_chunks_hold_8192_rows_with_partial_aggregates_that_merge(): void
    {
        $content = "kg,g\n";
        for ($i = 1; $i <= 20_000; ++$i) {
            $content .= ($i % 3000) / 10 . ',' . 'ab'[$i % 2] . "\n";
        }
        $dataset = $this->dataset($content);
        $chunks = StoredColumns::chunks($dataset->variables[0], 1);

        self::assertSame([8192, 8192, 3616], array_map(static fn(Chunk $chunk): int => $chunk->rows, $chunks));
        self::assertSame(ChunkEncoding::Int16, $chunks[0]->encoding);
        self::assertSame(ChunkEncoding::Codes, StoredColumns::chunks($dataset->variables[1], 1)[2]->encoding);
        $sums = $chunks[0]->powerSums?->plus($chunks[1]->powerSums)->plus($chunks[2]->powerSums);
        self::assertSame((float) $this->figures($this->profile($dataset, 'of=kg'))['sum'][0], (float) (string) $sums?->sum()->toBigDecimal());
    }

    public function test_a_long_file_is_imported_by_two_processes_as_by_one(): void
    {
        $rows = array_map(static fn(int $i): string => "H-{$i}," . ['Alder', 'Brook', ''][$i % 3] . ',' . ($i % 11 === 0 ? '' : ($i * 7919 % 4001) / 4) . ',' . ($i % 500 === 0 ? 'oops' : $i % 17) . ",inspected and quiet in the early morning\n", range(1, 140_000));
        $content = "Tag,Apiary,Weight,Mites,Note\n" . implode('', $rows);
        self::assertGreaterThan(8 << 20, strlen($content));
        $import = $this->upload($content);
        $dataset = Dataset::query()->findOrFail($import->dataset_id);
        $short = $this->dataset(substr($content, 0, (int) strpos($content, 'H-60001,')));

        self::assertSame([140_000, 60_000], [$dataset->rows, $short->rows]);
        self::assertSame($short->variables->pluck('type')->all(), $dataset->variables->pluck('type')->all());
        self::assertSame([['Brook', 'Alder'], 280], [$dataset->variables[1]->dictionary, $dataset->variables[3]->unread]);
        // The first 57,344 rows fill seven chunks in both; none of them differs, whoever packed it.
        foreach ($dataset->variables as $i => $variable) {
            $chunks = static fn(int $id): array => DB::table('column_chunks')->where('variable_id', $id)->where('number', '<', 7)->orderBy('number')->get(['number', 'encoding', 'rows', 'missing', 'decimals', 'lowest', 'highest', 'sum', 'squares', 'unread', 'payload'])->all();
            self::assertEquals($chunks($short->variables[$i]->id), $chunks($variable->id), $variable->name);
            self::assertSame(18, DB::table('column_chunks')->where('variable_id', $variable->id)->count());
        }
        $figures = $this->figures($this->profile($dataset, 'of=weight'));
        $weights = array_map(static fn(int $i): float => ($i * 7919 % 4001) / 4, array_filter(range(1, 140_000), static fn(int $i): bool => $i % 11 !== 0));
        self::assertEqualsWithDelta([count($weights), array_sum($weights), max($weights)], [$figures['n'][0], $figures['sum'][0], $figures['max'][0]], 1e-6);
    }

    public function test_the_import_is_the_first_revision_of_the_dataset(): void
    {
        $dataset = $this->dataset("kg\n1\n", 'spring.csv');

        self::assertSame(1, $dataset->revision);
        self::assertSame([[1, 'import', 'Imported from spring.csv']], $dataset->revisions->map(static fn($revision): array => [$revision->number, $revision->kind, $revision->summary])->all());
    }

    public function test_running_an_import_again_after_a_crash_leaves_one_dataset(): void
    {
        $import = $this->interrupted();
        app(ImportFile::class)->import($import);

        self::assertSame(ImportStatus::Done, $import->refresh()->status);
        self::assertSame([1, 2], [Dataset::query()->count(), Variable::query()->count()]);
        self::assertSame(2, DB::table('column_chunks')->count());
    }

    public function test_an_import_is_cancelled_at_once_though_nobody_works_at_it(): void
    {
        $import = $this->interrupted();
        $answer = $this->postJson("/api/imports/{$import->id}/cancel")->assertOk();
        Contract::assertMeets('cancelImport', $answer);
        self::assertSame('cancelled', $answer->json('status'));
        // A worker that takes it from the queue later finds nothing to do.
        app(ImportFile::class)->import($import->refresh());

        self::assertSame(ImportStatus::Cancelled, $import->refresh()->status);
        $this->assertDatabaseCount('datasets', 0);
        Storage::assertMissing($import->path);
    }

    public function test_an_import_cancelled_while_it_runs_stops_and_leaves_nothing(): void
    {
        $import = $this->interrupted("kg,g\n" . str_repeat("1.25,a\n", 60_000));
        $cancelled = false;
        DB::listen(function ($query) use ($import, &$cancelled): void {
            if (!$cancelled && str_starts_with($query->sql, 'insert into `column_chunks`')) {
                $cancelled = true;
                $this->postJson("/api/imports/{$import->id}/cancel")->assertOk();
                usleep(300_000);
            }
        });
        app(ImportFile::class)->import($import);

        self::assertTrue($cancelled);
        self::assertSame(ImportStatus::Cancelled, $import->refresh()->status);
        $this->assertDatabaseCount('datasets', 0);
        $this->assertDatabaseCount('column_chunks', 0);
    }

    public function test_only_one_of_two_takes_an_import(): void
    {
        $import = $this->interrupted();
        $import->update(['beat_at' => time()]);
        app(ImportFile::class)->import($import);
        self::assertSame(ImportStatus::Running, $import->refresh()->status, 'it still beats in other hands');

        $import->update(['status' => ImportStatus::Queued]);
        $second = Import::query()->findOrFail($import->id);
        app(ImportFile::class)->import($import);
        app(ImportFile::class)->import($second);
        self::assertSame([ImportStatus::Done, 1, 1], [$import->refresh()->status, $import->attempts, Dataset::query()->count()]);
    }

    public function test_a_silent_import_is_taken_up_again_and_fails_after_three_tries(): void
    {
        Queue::fake();
        $import = $this->interrupted();
        $import->update(['beat_at' => time() - 10, 'attempts' => 1]);
        app(SweepImports::class)->imports();
        self::assertSame(ImportStatus::Running, $import->refresh()->status, 'ten seconds are not silent');

        $import->update(['beat_at' => time() - 31]);
        app(SweepImports::class)->imports();
        app(SweepImports::class)->imports();
        self::assertSame(ImportStatus::Queued, $import->refresh()->status);
        Queue::assertPushed(RunImport::class, 1);

        $import->update(['status' => ImportStatus::Running, 'beat_at' => time() - 31, 'attempts' => 3]);
        app(SweepImports::class)->imports();
        self::assertSame(ImportStatus::Failed, $import->refresh()->status);
        self::assertStringContainsString('Upload it again', (string) $import->error);
        $this->assertDatabaseCount('datasets', 0);
        Storage::assertMissing($import->path);
    }

    public function test_a_queued_import_that_is_in_no_queue_is_put_there(): void
    {
        Queue::fake();
        $import = $this->interrupted();
        $import->update(['status' => ImportStatus::Queued, 'beat_at' => time() - 61]);
        app(SweepImports::class)->imports();
        Queue::assertPushed(RunImport::class, 1);
        app(SweepImports::class)->imports();
        Queue::assertPushed(RunImport::class, 1);
    }

    public function test_what_a_worker_still_does_after_its_import_was_taken_from_it_counts_no_more(): void
    {
        $import = $this->interrupted("kg,g\n" . str_repeat("1.25,a\n", 60_000));
        $taken = false;
        DB::listen(static function ($query) use ($import, &$taken): void {
            if (!$taken && str_starts_with($query->sql, 'insert into `column_chunks`')) {
                $taken = true;
                Import::query()->whereKey($import->id)->update(['run' => 'another']);
            }
        });
        app(ImportFile::class)->import($import);

        self::assertTrue($taken);
        self::assertSame([ImportStatus::Running, 'another'], [$import->refresh()->status, $import->run]);
        $this->assertDatabaseMissing('datasets', ['revision' => 1]);
    }

    public function test_a_file_that_is_shorter_than_it_was_is_not_read(): void
    {
        $import = $this->interrupted("kg,g\n1,a\n2,b\n");
        Storage::put($import->path, "kg,g\n1,a\n");
        app(ImportFile::class)->import($import);

        self::assertSame(ImportStatus::Waiting, $import->refresh()->status);
        self::assertStringContainsString('disk of the server is full', (string) $import->error);
        $this->assertDatabaseCount('datasets', 0);
    }

    public function test_an_upload_that_arrives_short_is_refused(): void
    {
        $upload = fn(int $bytes) => $this->post('/api/imports', ['file' => UploadedFile::fake()->createWithContent('x.csv', "kg\n1\n"), 'bytes' => $bytes], ['Accept' => 'application/json']);

        $upload(6)->assertStatus(422)->assertJsonPath('message', 'Of 6 bytes 5 have arrived. Upload it again.');
        $upload(5)->assertStatus(202);
        self::assertCount(1, Storage::files('uploads'));
    }

    public function test_forgotten_files_are_swept_away(): void
    {
        $import = $this->interrupted();
        $import->update(['status' => ImportStatus::Waiting]);
        $old = static fn(string $path): bool => touch($path, time() - 3700);
        Storage::put('uploads/orphan.csv', 'x');
        Storage::put('uploads/new.csv', 'x');
        $copy = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        array_map($old, [Storage::path('uploads/orphan.csv'), Storage::path($import->path), $copy]);
        app(SweepImports::class)->files();

        Storage::assertMissing('uploads/orphan.csv');
        Storage::assertExists(['uploads/new.csv', $import->path]);
        self::assertFileDoesNotExist($copy);
    }

    public function test_wide_rows_are_held_in_shorter_pieces_and_profiled_alike(): void
    {
        $cell = str_repeat('a long remark about this hive ', 40);
        $rows = implode('', array_map(static fn(int $i): string => "{$i}," . implode(',', array_map(static fn(int $column): string => "{$column} {$i} {$cell}", range(1, 30))) . "\n", range(1, 1500)));
        $dataset = $this->dataset('n,' . implode(',', array_map(static fn(int $column): string => "note{$column}", range(1, 30))) . "\n{$rows}");

        self::assertSame([1500, false], [$dataset->rows, $dataset->is_even]);
        self::assertGreaterThan(1, DB::table('column_chunks')->where('variable_id', $dataset->variables[0]->id)->count());
        $figures = $this->figures($this->profile($dataset, 'of=n'));
        self::assertSame([1500.0, 750.5], [(float) $figures['n'][0], (float) $figures['mean'][0]]);
        $last = $this->getJson("/api/datasets/{$dataset->id}/rows?of=n,note30&from=1499")->assertOk();
        self::assertSame(['1500'], $last->json('cells.n'));
        self::assertStringStartsWith('30 1500 a long', $last->json('cells.note30.0'));
    }

    public function test_an_import_that_has_ended_cannot_be_cancelled(): void
    {
        $import = $this->upload("kg\n1\n");

        $this->postJson("/api/imports/{$import->id}/cancel")->assertOk()->assertJsonPath('status', 'done');
    }

    public function test_the_demo_files_are_what_their_generator_makes_and_can_all_be_read(): void
    {
        foreach (DemoFiles::contents() as $name => $content) {
            self::assertStringEqualsFile(base_path("demo/{$name}"), $content);
            self::assertGreaterThan(0, $this->dataset($content, $name)->rows, $name);
        }
    }

    public function test_the_messy_original_keeps_what_it_cannot_read(): void
    {
        $dataset = $this->dataset(DemoFiles::contents()['spring-inspection-as-sent.csv']);
        $yield = $dataset->variables->firstOrFail('name', 'Honey yield');

        self::assertSame([236, 1], [$dataset->rows, $yield->unread]);
        self::assertSame([1, VariableType::Number], [$yield->decimals, $yield->type]);
    }

    /** An import whose worker was stopped in the middle of it. */
    private function interrupted(string $content = "kg,g\n1,a\n2,b\n"): Import
    {
        Storage::put('uploads/x.csv', $content);
        $draft = Dataset::query()->create(['user_id' => $this->keeper->id, 'title' => 'x', 'notes' => []]);
        Variable::query()->create(['dataset_id' => $draft->id, 'position' => 0, 'key' => 'kg', 'name' => 'kg', 'type' => VariableType::Number, 'dictionary' => []]);

        return $this->keeper->imports()->create([
            'title' => 'x',
            'file_name' => 'x.csv',
            'path' => 'uploads/x.csv',
            'status' => ImportStatus::Running,
            'dataset_id' => $draft->id,
            'bytes_total' => strlen($content),
        ])->refresh();
    }
}
