<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Models\Dataset;
use App\Store\StoredColumns;
use App\Store\Tallies;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use RowTally\Core\Columns\TallyColumn;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

final class ChangesTest extends AppTestCase
{
    private const HIVES = "tag,apiary,kg,frames\nA1,Alder,10.5,3\nA2,Brook,12.0,4\nA3,Alder,,5\nA4,brook,n/a,6\n";

    public function test_a_cell_is_edited_and_every_figure_follows(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->figures($this->profile($dataset, 'of=kg'));
        $this->change($dataset, 'edit-cells', ['edits' => [['row' => 2, 'variable' => 'kg', 'text' => '13,5']]])->assertJsonPath('summary', 'kg in row 2: “12.0” became “13.5”');

        self::assertSame(['10.5', '13.5', '', 'n/a'], $this->cells($dataset)['kg']);
        self::assertEquals([2, 24.0], [$this->figures($this->profile($dataset, 'of=kg'))['n'][0], $this->figures($this->profile($dataset, 'of=kg'))['sum'][0]]);
        $this->change($dataset, 'edit-cells', ['edits' => [['row' => 4, 'variable' => 'kg', 'text' => '11.25'], ['row' => 3, 'variable' => 'kg', 'text' => '1e3']]]);
        self::assertSame(['10.50', '13.50', '1000.00', '11.25'], $this->cells($dataset)['kg']);
        self::assertEquals(1035.25, $this->figures($this->profile($dataset, 'of=kg'))['sum'][0]);
        self::assertSame([0, 0], [$dataset->variables[2]->missing, $dataset->variables[2]->unread]);
    }

    public function test_what_is_typed_is_checked_and_kept_only_if_asked_for(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $edit = static fn(string $text): array => ['edits' => [['row' => 1, 'variable' => 'kg', 'text' => $text]]];

        $this->change($dataset, 'edit-cells', $edit('ten'), 422)->assertJsonPath('message', 'Row 1, kg: “ten” is not a number. Expected: a number such as 12.5. Correct it, clear the cell, or keep it as text that counts as missing.');
        $this->change($dataset, 'edit-cells', $edit('1,234'), 422)->assertJsonPath('findings.0.code', 'ambiguous');
        $this->change($dataset, 'edit-cells', [...$edit('ten'), 'anyway' => true]);
        self::assertSame(['ten', '12.0', '', 'n/a'], $this->cells($dataset)['kg']);
        self::assertSame(2, $dataset->variables[2]->unread);
    }

    public function test_every_kind_of_change_is_undone_and_done_again_to_the_byte(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $states = [$this->state($dataset)];
        $changes = [
            ['edit-cells', ['edits' => [['row' => 1, 'variable' => 'kg', 'text' => '99.125'], ['row' => 1, 'variable' => 'apiary', 'text' => 'Cold']]]],
            ['add-rows', ['rows' => [['tag' => 'A5', 'kg' => '7'], ['tag' => 'A6']]]],
            ['delete-rows', ['rows' => [2, 4]]],
            ['describe-variable', ['variable' => 'kg', 'name' => 'Honey yield', 'unit' => 'kg', 'label' => 'Yield', 'shown_decimals' => 2]],
            ['arrange-labels', ['variable' => 'apiary', 'order' => ['Cold', 'Alder', 'Brook'], 'merged' => [['from' => 'brook', 'to' => 'Brook']]]],
            ['retype-variable', ['variable' => 'frames', 'type' => 'category']],
            ['make-variable', ['name' => 'Twice', 'formula' => '2 * "Honey yield"']],
            ['delete-variable', ['variable' => 'tag']],
            ['add-variable', ['name' => 'Remark', 'type' => 'text']],
            ['recode-variable', ['variable' => 'apiary', 'name' => 'Side', 'labels' => [['from' => 'Cold', 'to' => 'east'], ['from' => 'Alder', 'to' => 'east']]]],
            ['describe-variable', ['variable' => 'kg', 'missing_marks' => ['n/a']]],
        ];
        foreach ($changes as [$kind, $words]) {
            $this->change($dataset, $kind, $words);
            $states[] = $this->state($dataset);
        }
        foreach (array_reverse(array_slice($states, 0, -1)) as $state) {
            $this->change($dataset, 'undo');
            self::assertSame($state, $this->state($dataset));
        }
        $this->change($dataset, 'undo', [], 422)->assertJsonPath('findings.0.code', 'nothing-to-undo');
        foreach (array_slice($states, 1) as $state) {
            $this->change($dataset, 'redo');
            self::assertSame($state, $this->state($dataset));
        }
        $this->change($dataset, 'redo', [], 422);
    }

    public function test_a_change_to_an_older_revision_is_refused_with_what_has_changed_and_loses_nothing(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $edit = static fn(string $text): array => ['edits' => [['row' => 1, 'variable' => 'kg', 'text' => $text]]];
        $this->change($dataset, 'edit-cells', $edit('20'));
        $answer = $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', ...$edit('30')])->assertStatus(409);

        Contract::assertMeets('changeDataset', $answer);
        self::assertSame([2, ['kg in row 1: “10.5” became “20”']], [$answer->json('revision'), $answer->json('changes')]);
        self::assertSame('20.0', $this->cells($dataset)['kg'][0]);
    }

    public function test_a_deleted_variable_and_a_deleted_row_come_back_by_themselves_after_other_changes(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->change($dataset, 'delete-rows', ['rows' => [2]])->assertJsonPath('rows', 3);
        $this->change($dataset, 'delete-variable', ['variable' => 'kg']);
        $this->change($dataset, 'delete-rows', ['rows' => [1]]);
        $this->change($dataset, 'edit-cells', ['edits' => [['row' => 1, 'variable' => 'frames', 'text' => '50']]]);
        $history = $this->getJson("/api/datasets/{$dataset->id}/changes")->assertOk();
        Contract::assertMeets('listChanges', $history);

        self::assertSame([['key' => 'kg', 'name' => 'kg']], $history->json('deleted_variables'));
        self::assertSame([1, 2], array_column($history->json('deleted_rows'), 'position'));
        $this->change($dataset, 'restore-variable', ['variable' => 'kg']);
        $this->change($dataset, 'restore-row', ['deleted_row' => $history->json('deleted_rows.1.id')]);
        self::assertSame(['tag' => ['A3', 'A2', 'A4'], 'apiary' => ['Alder', 'Brook', 'brook'], 'kg' => ['', '12.0', 'n/a'], 'frames' => ['50', '4', '6']], $this->cells($dataset));
        $this->change($dataset, 'restore-row', ['deleted_row' => $history->json('deleted_rows.1.id')], 422);
    }

    public function test_a_made_variable_follows_its_inputs_until_it_is_frozen(): void
    {
        $dataset = $this->dataset("before,after\n10,4\n8,9\n3,\n");
        $this->change($dataset, 'make-variable', ['name' => 'change', 'formula' => 'after - before', 'unit' => 'mites']);
        $this->change($dataset, 'make-variable', ['name' => 'z', 'formula' => 'round(z(change), 3)']);
        self::assertSame([['-6', '1', ''], ['-0.707', '0.707', '']], [$this->cells($dataset)['change'], $this->cells($dataset)['z']]);

        $this->change($dataset, 'edit-cells', ['edits' => [['row' => 3, 'variable' => 'after', 'text' => '1.5']]]);
        self::assertSame([['-6.0', '1.0', '-1.5'], ['-1.081', '0.893', '0.188']], [$this->cells($dataset)['change'], $this->cells($dataset)['z']]);
        $this->change($dataset, 'describe-variable', ['variable' => 'after', 'name' => 'after treatment']);
        self::assertSame('"after treatment" - before', $dataset->variables[2]->made['formula']);
        $this->change($dataset, 'edit-cells', ['edits' => [['row' => 1, 'variable' => 'change', 'text' => '0']]], 422)->assertJsonPath('findings.0.code', 'made');

        $this->change($dataset, 'freeze-variable', ['variable' => 'change']);
        $this->change($dataset, 'edit-cells', ['edits' => [['row' => 1, 'variable' => 'before', 'text' => '100']]]);
        self::assertSame('-6.0', $this->cells($dataset)['change'][0]);
        $this->change($dataset, 'delete-variable', ['variable' => 'change']);
        self::assertTrue($dataset->variables->firstWhere('key', 'z')?->made['frozen'], 'without its input it stays as it is');
    }

    public function test_a_changed_tally_is_that_of_the_changed_column(): void
    {
        $rows = '';
        for ($i = 0; $i < 20_000; ++$i) {
            $rows .= ($i * 7919 % 1000) / 10 . ',' . 'abc'[$i % 3] . "\n";
        }
        $dataset = $this->dataset("x,g\n{$rows}");
        $this->figures($this->profile($dataset, 'of=x'));
        $edits = [];
        foreach ([1, 8192, 8193, 20_000] as $i => $row) {
            $edits[] = ['row' => $row, 'variable' => 'x', 'text' => ['', '55.5', '-1.2', 'oops'][$i]];
        }
        $this->change($dataset, 'edit-cells', ['edits' => $edits, 'anyway' => true]);
        $this->change($dataset, 'delete-rows', ['rows' => [5, 9000]]);
        $x = $dataset->variables[0];
        self::assertSame(1, DB::table('tallies')->where(['variable_id' => $x->id, 'revision' => $dataset->revision])->count(), 'it must have been carried over');
        $carried = (new Tallies())->whole($x, $dataset->revision);
        $anew = TallyColumn::whole(StoredColumns::number($x, $dataset->revision));

        self::assertSame(bin2hex($anew->values->toBytes()), bin2hex($carried->values->toBytes()));
        self::assertSame($anew->missing, $carried->missing);
        self::assertSame(19_998, $dataset->rows);
    }

    public function test_rows_typed_into_an_empty_dataset_are_there(): void
    {
        $answer = $this->postJson('/api/datasets', ['title' => 'Jars'])->assertCreated();
        Contract::assertMeets('startBlank', $answer);
        $dataset = Dataset::query()->findOrFail($answer->json('id'));
        $this->change($dataset, 'add-rows', ['rows' => [['value' => '4,5']]]);
        $this->change($dataset, 'add-variable', ['name' => 'Keeper', 'type' => 'category']);
        $this->change($dataset, 'add-rows', ['rows' => [['value' => '3', 'keeper' => 'Ann'], ['keeper' => 'Bo']]]);

        self::assertSame(['value' => ['4.5', '3.0', ''], 'keeper' => ['', 'Ann', 'Bo']], $this->cells($dataset));
        self::assertEquals(7.5, $this->figures($this->profile($dataset, 'of=value'))['sum'][0]);
    }

    /** @param array<string, mixed> $words */
    private function change(Dataset $dataset, string $kind, array $words = [], int $status = 201): TestResponse
    {
        $answer = $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $dataset->revision, 'kind' => $kind, ...$words])->assertStatus($status);
        Contract::assertMeets('changeDataset', $answer);
        $dataset->refresh()->load('variables');

        return $answer;
    }

    /** @return array<string, list<string>> */
    private function cells(Dataset $dataset): array
    {
        $answer = $this->getJson("/api/datasets/{$dataset->id}/rows")->assertOk();
        Contract::assertMeets('listRows', $answer);

        return $answer->json('cells');
    }

    /** All that somebody sees of a dataset. */
    private function state(Dataset $dataset): string
    {
        $seen = $this->getJson("/api/datasets/{$dataset->id}")->assertOk();
        Contract::assertMeets('showDataset', $seen);
        $rest = array_diff_key($seen->json(), ['revision' => 0]);

        return json_encode([$rest, $this->cells($dataset), array_diff_key($this->profile($dataset, 'of=kg,frames'), ['revision' => 0])], JSON_THROW_ON_ERROR);
    }
}
