<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Models\Dataset;
use App\Models\LongChange;
use App\Models\Revision;
use App\Store\Changes\FollowInputs;
use App\Store\Changes\LongChanges;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** A change that takes long is made by a worker: watched, stopped, asked for twice, and in nobody's way. */
final class LongChangesTest extends AppTestCase
{
    private Dataset $dataset;

    protected function setUp(): void
    {
        parent::setUp();
        // 9,000 rows for 599 parts are over five million steps.
        $this->dataset = $this->dataset("n,kg\n" . implode('', array_map(static fn(int $i): string => "{$i}," . $i % 90 . "\n", range(1, 9_000))));
    }

    public function test_it_is_handed_over_and_made(): void
    {
        Queue::fake();
        $answer = $this->asked()->assertStatus(202);
        Contract::assertMeets('changeDataset', $answer);
        self::assertSame(['queued', null, 1], [$answer->json('status'), $answer->json('change'), $this->dataset->refresh()->revision]);
        // Asked for again, as after a reload, it is the same one.
        self::assertSame($answer->json('id'), $this->asked()->json('id'));

        app(LongChanges::class)->make(LongChange::query()->findOrFail($answer->json('id')));
        $told = $this->getJson("/api/datasets/{$this->dataset->id}/changes/under-way/{$answer->json('id')}")->assertOk();
        Contract::assertMeets('showLongChange', $told);
        self::assertSame(['done', 2, 9_000], [$told->json('status'), $told->json('change.revision'), $told->json('change.rows')]);
        self::assertSame(['300'], $this->getJson("/api/datasets/{$this->dataset->id}/rows?of=many&count=1")->json('cells.many'));
        self::assertSame(['queued', 'make-variable'], [$answer->json('status'), Revision::query()->where('dataset_id', $this->dataset->id)->where('number', 2)->value('kind')]);
        $again = $this->asked()->assertStatus(202);
        self::assertSame(['done', 2], [$again->json('status'), $again->json('change.revision')]);
    }

    public function test_an_edit_is_handed_over_too_where_what_follows_from_it_takes_long(): void
    {
        Queue::fake();
        $change = fn(array $words): TestResponse => $this->postJson("/api/datasets/{$this->dataset->id}/changes", ['revision' => $this->dataset->refresh()->revision, ...$words]);
        $edit = static fn(string $variable, int $row, string $text): array => ['kind' => 'edit-cells', 'edits' => [['row' => $row, 'variable' => $variable, 'text' => $text]]];
        $make = static fn(int $id) => app(LongChanges::class)->make(LongChange::query()->findOrFail($id));
        $make($change(['kind' => 'make-variable', 'name' => 'far', 'formula' => 'z(kg)' . str_repeat(' + 1', 299)])->assertStatus(202)->json('id'));

        $change($edit('n', 1, '5'))->assertSuccessful();
        $before = $this->getJson("/api/datasets/{$this->dataset->id}/rows?of=far&count=1")->json('cells.far');
        $handed = $change($edit('kg', 9_000, '5000'))->assertStatus(202);
        $make($handed->json('id'));
        $told = $this->getJson("/api/datasets/{$this->dataset->id}/changes/under-way/{$handed->json('id')}")->assertOk();
        self::assertSame(['done', '5000'], [$told->json('status'), $this->getJson("/api/datasets/{$this->dataset->id}/rows?of=kg&from=8999&count=1")->json('cells.kg.0')]);
        self::assertNotSame($before, $this->getJson("/api/datasets/{$this->dataset->id}/rows?of=far&count=1")->json('cells.far'));
        self::assertSame(202, $change(['kind' => 'undo'])->getStatusCode());
        self::assertSame(202, $change(['kind' => 'delete-rows', 'rows' => [2]])->getStatusCode());
        // Frozen, it is in nobody's way.
        $change(['kind' => 'freeze-variable', 'variable' => 'far'])->assertSuccessful();
        $change($edit('kg', 1, '7'))->assertSuccessful();
    }

    public function test_what_is_made_of_what_is_made_is_reckoned_in(): void
    {
        foreach (['twice' => 'kg * 2', 'spread' => 'z(twice)'] as $name => $formula) {
            $this->postJson("/api/datasets/{$this->dataset->id}/changes", ['revision' => $this->dataset->refresh()->revision, 'kind' => 'make-variable', 'name' => $name, 'formula' => $formula])->assertSuccessful();
        }
        $steps = fn(?array $keys, bool $isWide): int => app(FollowInputs::class)->steps($this->dataset->refresh()->load('variables'), $keys, $isWide);

        // kg, 2 and the product in one piece of 8,192 rows; twice and its z in all rows.
        self::assertSame(3 * 8_192 + 2 * 9_000, $steps(['kg'], false));
        self::assertSame(3 * 9_000 + 2 * 9_000, $steps(['kg'], true));
        self::assertSame(3 * 8_192 + 2 * 9_000, $steps(null, false));
        self::assertSame([0, 0], [$steps(['n'], true), $steps([], false)]);
    }

    public function test_it_stops_when_told_to_and_leaves_nothing(): void
    {
        Queue::fake();
        $id = $this->asked()->json('id');
        $stopped = false;
        DB::listen(static function ($query) use ($id, &$stopped): void {
            if (!$stopped && str_starts_with($query->sql, 'insert into `column_chunks`')) {
                $stopped = true;
                DB::connection('aside')->table('long_changes')->where('id', $id)->update(['status' => 'stopped']);
                usleep(500_000);
            }
        });
        app(LongChanges::class)->make(LongChange::query()->findOrFail($id));

        self::assertTrue($stopped);
        self::assertSame([1, 2], [$this->dataset->refresh()->revision, DB::table('variables')->where('dataset_id', $this->dataset->id)->count()]);
        self::assertSame('stopped', $this->getJson("/api/datasets/{$this->dataset->id}/changes/under-way/{$id}")->json('status'));
    }

    public function test_it_is_stopped_before_anybody_has_begun(): void
    {
        Queue::fake();
        $id = $this->asked()->json('id');
        $answer = $this->postJson("/api/datasets/{$this->dataset->id}/changes/under-way/{$id}/stop")->assertOk();
        Contract::assertMeets('stopLongChange', $answer);
        app(LongChanges::class)->make(LongChange::query()->findOrFail($id));

        self::assertSame(['stopped', 1], [$answer->json('status'), $this->dataset->refresh()->revision]);
        self::assertNotSame($id, $this->asked()->json('id'), 'what was stopped can be asked for anew, under the same name too');
    }

    public function test_one_whose_worker_is_gone_has_failed(): void
    {
        Queue::fake();
        $id = $this->asked()->json('id');
        LongChange::query()->whereKey($id)->update(['status' => 'running', 'beat_at' => time() - 61]);
        $told = $this->getJson("/api/datasets/{$this->dataset->id}/changes/under-way/{$id}");

        self::assertSame('failed', $told->json('status'));
        self::assertStringContainsString('nothing was changed', $told->json('message'));
    }

    public function test_on_rows_that_somebody_has_changed_it_is_not_made(): void
    {
        Queue::fake();
        $id = $this->asked()->json('id');
        $this->postJson("/api/datasets/{$this->dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '5']]])->assertStatus(201);
        app(LongChanges::class)->make(LongChange::query()->findOrFail($id));

        self::assertStringContainsString('changed elsewhere', $this->getJson("/api/datasets/{$this->dataset->id}/changes/under-way/{$id}")->json('message'));
    }

    public function test_what_would_take_hours_is_refused_with_its_size(): void
    {
        DB::table('datasets')->where('id', $this->dataset->id)->update(['rows' => 5_000_000]);
        $answer = $this->asked()->assertStatus(422);

        Contract::assertMeets('changeDataset', $answer);
        self::assertStringContainsString('at most 700 million', $answer->json('message'));
    }

    public function test_a_formula_of_more_parts_than_anybody_writes_is_refused(): void
    {
        $this->postJson("/api/datasets/{$this->dataset->id}/formula", ['formula' => implode(' + ', array_fill(0, 301, 'kg'))])->assertStatus(422)
            ->assertJsonPath('message', 'The formula has 601 parts (names, numbers, signs and functions); it may have 600. Make a variable of a part of it, and go on with that.');
    }

    public function test_nobody_else_sees_or_stops_it(): void
    {
        $this->actingAs($stranger = $this->account('stranger'));
        $own = $this->dataset("n\n1\n");
        $this->actingAs($this->keeper);
        Queue::fake();
        $id = $this->asked()->json('id');
        $this->actingAs($stranger);
        $this->getJson("/api/datasets/{$this->dataset->id}/changes/under-way/{$id}")->assertNotFound();
        $this->getJson("/api/datasets/{$own->id}/changes/under-way/{$id}")->assertNotFound();
        $this->postJson("/api/datasets/{$own->id}/changes/under-way/{$id}/stop")->assertNotFound();
        self::assertSame('queued', LongChange::query()->findOrFail($id)->status);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function asked(): TestResponse
    {
        return $this->postJson("/api/datasets/{$this->dataset->id}/changes", ['revision' => 1, 'kind' => 'make-variable', 'name' => 'Many', 'formula' => implode(' + ', array_fill(0, 300, 'kg'))], ['Idempotency-Key' => 'one press']);
    }
}
