<?php

declare(strict_types=1);

namespace Tests\App\Report;

use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Tests\App\AppTestCase;

/** What was kept before reports had blocks is in one of them afterwards: nothing is lost, and what can follow the data does. */
final class KeptBecomesBlocksTest extends AppTestCase
{
    protected function tearDown(): void
    {
        Schema::dropIfExists('kept_items');
        parent::tearDown();
    }

    public function test_pictures_and_figures_follow_and_the_rest_is_held_as_it_was(): void
    {
        $dataset = $this->dataset("kg,site\n20,a\n30,b\n", 'hives.csv');
        $dataset->update(['title' => 'Hives']);
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'set-aside', 'rows' => [2], 'reason' => 'x'])->assertCreated();
        $document = '{"type":"doc","content":[{"type":"paragraph","content":[{"type":"text","text":"Little honey."}]}]}';
        $this->kept($dataset->id, [
            ['kind' => 'picture', 'title' => 'Yield', 'note' => 'As plain text', 'content' => '<svg/>', 'asked' => '{"picture":"boxes","words":{"of":"kg","by":"site","look":"notches:yes","column":"0","width":"500"}}'],
            ['kind' => 'table', 'title' => 'Figures', 'note' => $document, 'content' => '[["kg","Overall"],["Mean","25.0"]]', 'asked' => '{"figures":"kg","words":{"of":"kg","figures":"mean"}}'],
            ['kind' => 'table', 'title' => 'Frequencies', 'note' => '', 'content' => '[["site","Count"],["a","1"],["Basis","All rows."]]', 'asked' => null],
            ['kind' => 'reading', 'title' => 'kg', 'note' => '', 'content' => '{"sentence":"Half of it.","said":"x","rule":"y","source":"z"}', 'asked' => null],
            ['kind' => 'text', 'title' => 'In our words', 'note' => $document, 'content' => '', 'asked' => null],
        ]);
        (require database_path('migrations/2026_11_29_000001_reports.php'))->moveKept();

        $id = $this->getJson("/api/datasets/{$dataset->id}/reports")->assertOk()->assertJsonPath('0.title', 'Hives')->json('0.id');
        $report = $this->getJson("/api/reports/{$id}")->assertOk()->json();
        self::assertSame(['Figure 1', 'Table 1', 'Table 2', null, null, 'Table 3'], array_column($report['numbers'], 'number'));
        $shown = [];
        foreach ($report['document']['blocks'] as $block) {
            $answer = $this->getJson("/api/reports/{$id}/blocks/{$block['id']}")->assertOk()->json();
            self::assertSame([], $answer['lacks'], $block['kind']);
            $shown[] = $answer['html'] . $answer['words'];
        }
        self::assertSame(['picture', 'figures', 'held', 'held', 'text', 'rows'], array_column($report['document']['blocks'], 'kind'));
        self::assertSame(['boxes', 'notches:yes', 'of=kg&by=site'], [$report['document']['blocks'][0]['picture'], $report['document']['blocks'][0]['look'], $report['document']['blocks'][0]['address']]);
        foreach ([[0, 'As plain text'], [0, '<svg'], [1, '20.0'], [1, 'Little honey.'], [2, '<td>1</td>'], [2, 'As it was at revision 1 of the data; it does not follow them.'], [3, 'Half of it.'], [4, 'Little honey.'], [5, '30']] as [$place, $part]) {
            self::assertStringContainsString($part, $shown[$place]);
        }
        self::assertStringNotContainsString('All rows.</', $shown[2], 'the basis stands in the caption');
    }

    /** @param list<array<string, string|null>> $items */
    private function kept(int $dataset, array $items): void
    {
        Schema::create('kept_items', static function (Blueprint $table): void {
            $table->id();
            $table->unsignedBigInteger('dataset_id');
            $table->unsignedInteger('position');
            $table->string('kind', 16);
            $table->string('title', 200);
            $table->text('note');
            $table->mediumText('content');
            $table->text('basis');
            $table->string('place', 16);
            $table->text('address');
            $table->unsignedInteger('revision');
            $table->text('asked')->nullable();
        });
        foreach ($items as $position => $item) {
            DB::table('kept_items')->insert([...$item, 'dataset_id' => $dataset, 'position' => $position + 1, 'basis' => 'Taken as a sample.', 'place' => 'profile', 'address' => 'of=kg', 'revision' => 1]);
        }
    }
}
