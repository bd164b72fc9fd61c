<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Models\Dataset;
use App\Store\DrawMicroPlots;
use Illuminate\Support\Facades\Queue;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Rows that are set aside leave every figure and stay in the data. */
final class SetAsideTest extends AppTestCase
{
    private const HIVES = "Tag,Apiary,Before,After,Yield (kg)\nA1,North,9,2,1\nA2,North,8,2,2\nA3,North,7,7,3\nB1,South,4,1,4\nB2,South,4,5,5\nB3,South,3,1,90\n";

    public function test_they_leave_figures_tables_pictures_and_comparisons_and_come_back(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->assertMean(17.5, 6, $dataset);
        $answer = $this->change($dataset, ['kind' => 'set-aside', 'rows' => [6], 'reason' => 'the scale was broken']);
        Contract::assertMeets('changeDataset', $answer);
        self::assertSame('Row 6 set aside: the scale was broken', $answer->json('summary'));

        $profile = $this->assertMean(3.0, 5, $dataset);
        self::assertSame(1, $profile['basis']['set_aside']);
        self::assertStringContainsString('all rows but 1 set aside', $profile['basis']['words']);
        $show = $this->getJson("/api/datasets/{$dataset->id}")->assertOk();
        Contract::assertMeets('showDataset', $show);
        self::assertSame([1, 6, 5], [$show->json('set_aside'), $show->json('rows'), count($show->json('variables'))]);
        $byApiary = $this->getJson("/api/datasets/{$dataset->id}/profile?of=yield&by=apiary&figures=n,mean,max")->assertOk()->json('sheets.0.figures');
        self::assertSame([5, 3, 2], array_column(array_column($byApiary, null, 'key')['n']['values'], 'value'));
        $labels = $this->getJson("/api/datasets/{$dataset->id}/profile?of=apiary")->assertOk()->json('sheets.0.frequencies');
        self::assertSame([[[3], [2]], [5]], [array_column($labels['rows'], 'counts'), $labels['totals']]);
        $compared = $this->getJson("/api/datasets/{$dataset->id}/compared?what=pairs&of=before,after")->assertOk()->json('comparisons.0.figures');
        self::assertSame([5, 3, 1, 1], [$compared['rows'], $compared['fell'], $compared['rose'], $compared['stayed']]);
        $readings = $this->getJson("/api/datasets/{$dataset->id}/readings?of=yield")->assertOk()->json('readings');
        self::assertNotContains('outliers', array_column($readings, 'key'));
        // Under a condition, too.
        self::assertSame(2, $this->getJson("/api/datasets/{$dataset->id}/profile?of=yield&where=" . urlencode("Apiary = 'South'"))->json('rows'));

        self::assertSame('1 row brought back', $this->change($dataset, ['kind' => 'bring-back'])->json('summary'));
        self::assertSame(0, $this->assertMean(17.5, 6, $dataset)['basis']['set_aside']);
    }

    public function test_they_stay_in_the_rows_with_their_reason_and_in_what_is_taken_out(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->change($dataset, ['kind' => 'set-aside', 'rows' => [2, 6], 'reason' => 'moved']);
        $rows = $this->getJson("/api/datasets/{$dataset->id}/rows")->assertOk();
        Contract::assertMeets('listRows', $rows);
        self::assertSame([6, ['1' => 'moved', '5' => 'moved']], [$rows->json('total'), $rows->json('aside')]);
        self::assertSame(['1', '2', '3', '4', '5', '90'], $rows->json('cells.yield'));
        $only = $this->getJson("/api/datasets/{$dataset->id}/rows?where=" . urlencode('not missing("Set aside")'))->assertOk();
        self::assertSame([2, 6], $only->json('rows'));
        $none = $this->dataset(self::HIVES, 'none.csv');
        self::assertSame([], $this->getJson("/api/datasets/{$none->id}/rows?where=" . urlencode('not missing("Set aside")'))->assertOk()->json('rows'), 'also where there are none');
        $csv = (string) $this->get("/api/datasets/{$dataset->id}/export?format=csv")->assertOk()->streamedContent();
        self::assertStringContainsString('Set aside', explode("\n", $csv)[0]);
        self::assertStringContainsString('B3,South,3,1,90,moved', $csv);
        $view = (string) $this->get("/api/datasets/{$dataset->id}/export?format=csv&sort=yield:down")->assertOk()->streamedContent();
        self::assertStringContainsString('B3,South,3,1,90,moved', explode("\n", $view)[1]);
    }

    public function test_undo_and_redo_and_a_row_that_is_deleted_and_brought_back(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->change($dataset, ['kind' => 'set-aside', 'rows' => [6], 'reason' => 'broken']);
        $this->change($dataset, ['kind' => 'undo']);
        $this->assertMean(17.5, 6, $dataset);
        $this->change($dataset, ['kind' => 'redo']);
        $this->assertMean(3.0, 5, $dataset);
        $this->change($dataset, ['kind' => 'undo']);
        // The column of before is not there any more: another row begins a new one.
        $this->change($dataset, ['kind' => 'set-aside', 'rows' => [1], 'reason' => 'other']);
        $this->assertMean(20.8, 5, $dataset);
        $this->change($dataset, ['kind' => 'delete-rows', 'rows' => [1]]);
        self::assertSame(0, $dataset->refresh()->set_aside);
        $this->assertMean(20.8, 5, $dataset);
        $deleted = $this->getJson("/api/datasets/{$dataset->id}/changes")->assertOk()->json('deleted_rows.0.id');
        $this->change($dataset, ['kind' => 'restore-row', 'deleted_row' => $deleted]);
        self::assertSame([1, 6], [$dataset->refresh()->set_aside, $dataset->rows], 'it comes back as it was');
        $this->assertMean(20.8, 5, $dataset);
        $this->change($dataset, ['kind' => 'undo']);
        $this->change($dataset, ['kind' => 'undo']);
        $this->assertMean(20.8, 5, $dataset);
        $history = $this->getJson("/api/datasets/{$dataset->id}/changes")->assertOk();
        Contract::assertMeets('listChanges', $history);
        self::assertSame([], $history->json('deleted_variables'), 'the column of reasons is no variable');
    }

    public function test_what_cannot_be_set_aside_is_refused_in_words(): void
    {
        $dataset = $this->dataset(self::HIVES);
        foreach ([
            [['kind' => 'set-aside', 'rows' => [7], 'reason' => 'x'], 'There is no row 7.'],
            [['kind' => 'set-aside', 'rows' => [1], 'reason' => ' '], 'why'],
            [['kind' => 'set-aside', 'rows' => [1]], 'why'],
            [['kind' => 'set-aside', 'rows' => [], 'reason' => 'x'], ''],
            [['kind' => 'set-aside', 'rows' => [1], 'reason' => str_repeat('x', 201)], 'at most 200 characters'],
            [['kind' => 'bring-back'], 'None of these rows is set aside.'],
            [['kind' => 'bring-back', 'rows' => [1]], 'None of these rows is set aside.'],
            [['kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => ' aside', 'text' => 'x']]], ''],
            [['kind' => 'delete-variable', 'variable' => ' aside'], ''],
        ] as [$words, $sentence]) {
            $answer = $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $dataset->refresh()->revision, ...$words])->assertUnprocessable();
            self::assertStringContainsString($sentence, (string) $answer->getContent());
        }
        self::assertSame(0, $dataset->refresh()->set_aside);
    }

    public function test_what_a_formula_takes_of_a_whole_variable_goes_without_them_and_follows(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->change($dataset, ['kind' => 'make-variable', 'name' => 'z', 'formula' => 'z(Yield)']);
        $this->change($dataset, ['kind' => 'make-variable', 'name' => 'Twice', 'formula' => 'z * 2']);
        $this->change($dataset, ['kind' => 'set-aside', 'rows' => [6], 'reason' => 'broken']);
        $cells = fn(string $key): array => array_map(static fn(string $cell): float => round((float) $cell, 6), $this->getJson("/api/datasets/{$dataset->id}/rows")->assertOk()->json("cells.{$key}"));
        // By hand: 1 … 5 have the mean 3 and the SD √2.5; 90 has a place among them though it is none of them.
        self::assertSame([-1.264911, 0.0, 55.023631], [$cells('z')[0], $cells('z')[2], $cells('z')[5]]);
        self::assertSame(-2.529822, $cells('twice')[0]);
        $outside = $this->getJson("/api/datasets/{$dataset->id}/rows?where=" . urlencode('outlier(Yield)'))->assertOk()->json('rows');
        self::assertSame([6], $outside);
        $this->change($dataset, ['kind' => 'undo']);
        self::assertSame(2.039625, $cells('z')[5]);
        $this->change($dataset, ['kind' => 'redo']);
        self::assertSame([0.0, 55.023631], [$cells('z')[2], $cells('z')[5]]);
        $this->change($dataset, ['kind' => 'bring-back', 'rows' => [6]]);
        self::assertSame(2.039625, $cells('z')[5]);
    }

    public function test_micro_plots_of_many_rows_are_drawn_once_for_changes_that_follow_one_another(): void
    {
        $dataset = $this->dataset("x\n1\n2\n");
        Queue::fake();
        $dataset->rows = 60_000;
        DrawMicroPlots::after($dataset);
        DrawMicroPlots::after($dataset);
        Queue::assertPushed(DrawMicroPlots::class, 1);
        Queue::assertPushed(DrawMicroPlots::class, static fn(DrawMicroPlots $job): bool => $job->delay > 0);
    }

    public function test_micro_plots_and_the_ends_of_dates_go_without_them(): void
    {
        $dataset = $this->dataset("Day,Apiary,Yield (kg)\n2025-01-01,North,1\n2025-02-01,North,2\n2025-03-01,South,90\n");
        $bars = fn(string $key): int => count($this->getJson("/api/datasets/{$dataset->id}")->assertOk()->collect('variables')->firstWhere('key', $key)['micro']['marks']);
        $dates = fn(string $where = ''): array => $this->getJson("/api/datasets/{$dataset->id}/profile?of=day{$where}")->assertOk()->json('sheets.0.dates');
        $micro = static fn(string $key): array => $dataset->variables()->where('key', $key)->get()->first()?->microCounts() ?? [];
        self::assertSame(['2025-01-01', '2025-03-01', '59 days'], array_values($dates()));
        self::assertSame('2025-02-01', $dates('&where=' . urlencode('Yield < 50'))['last'], 'nor those that a condition leaves out');
        $before = $micro('yield');
        $this->change($dataset, ['kind' => 'set-aside', 'rows' => [3], 'reason' => 'broken']);
        self::assertSame(['2025-01-01', '2025-02-01', '31 days'], array_values($dates()));
        self::assertSame([[2, 0], [1, 1]], [$micro('apiary'), array_values(array_filter($micro('yield')))]);
        self::assertGreaterThan(0, $bars('apiary'));
        $this->change($dataset, ['kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'yield', 'text' => '2']]]);
        self::assertSame([2], $micro('yield'));
        $this->change($dataset, ['kind' => 'undo']);
        $this->change($dataset, ['kind' => 'undo']);
        self::assertSame([$before, [2, 1]], [$micro('yield'), $micro('apiary')]);
    }

    public function test_all_of_them(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->change($dataset, ['kind' => 'set-aside', 'rows' => range(1, 6), 'reason' => 'all wrong']);
        self::assertSame(0, $this->getJson("/api/datasets/{$dataset->id}/profile?of=yield&figures=n,mean")->assertOk()->json('rows'));
        $this->getJson("/api/datasets/{$dataset->id}/overview")->assertOk();
        $this->getJson("/api/datasets/{$dataset->id}/plots/stack?of=yield")->assertOk()->assertJsonPath('scenes.0.scene', null);
        $this->change($dataset, ['kind' => 'bring-back', 'rows' => [1, 2]]);
        $this->assertMean(1.5, 2, $dataset);
    }

    public function test_a_variable_may_be_called_by_a_whole_number_or_as_the_rows_set_aside(): void
    {
        $dataset = $this->dataset("2019,Set aside\n1,a\n5,b\n9,\n");
        self::assertSame([2, 3], $this->getJson("/api/datasets/{$dataset->id}/rows?where=" . urlencode('"2019" > 1'))->assertOk()->json('rows'));
        $this->change($dataset, ['kind' => 'set-aside', 'rows' => [2], 'reason' => 'x']);
        self::assertSame([1, 2], $this->getJson("/api/datasets/{$dataset->id}/rows?where=" . urlencode('not missing("Set aside")'))->assertOk()->json('rows'), 'the variable of that name');
        self::assertSame(2, $this->getJson("/api/datasets/{$dataset->id}/profile?of={$dataset->variables[0]->key}")->assertOk()->json('rows'));
    }

    /** @param array<string, mixed> $words */
    private function change(Dataset $dataset, array $words): \Illuminate\Testing\TestResponse
    {
        return $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $dataset->refresh()->revision, ...$words])->assertCreated();
    }

    /** @return array<string, mixed> */
    private function assertMean(float $mean, int $n, Dataset $dataset): array
    {
        $profile = $this->getJson("/api/datasets/{$dataset->id}/profile?of=yield&figures=n,mean")->assertOk();
        Contract::assertMeets('showProfile', $profile);
        $figures = array_column($profile->json('sheets.0.figures'), null, 'key');
        self::assertSame([$n, $mean], [$figures['n']['values'][0]['value'], (float) $figures['mean']['values'][0]['value']]);

        return $profile->json();
    }
}
