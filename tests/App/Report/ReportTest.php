<?php

declare(strict_types=1);

namespace Tests\App\Report;

use App\Models\Report;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Reports of a dataset: blocks that follow the data, versions, what has changed since somebody looked. */
final class ReportTest extends AppTestCase
{
    use Reported;

    public function test_what_is_kept_becomes_blocks_with_numbers(): void
    {
        $dataset = $this->hives();
        $id = $this->reported($dataset);
        $report = $this->getJson("/api/reports/{$id}")->assertOk();
        Contract::assertMeets('showReport', $report);
        self::assertSame([null, null, 'Table 1', 'Figure 1', 'Table 2', 'Table 3', 'Table 4', 'Table 5', 'Table 6', null, 'Table 7'], array_column($report->json('numbers'), 'number'));
        $list = $this->getJson("/api/datasets/{$dataset->id}/reports")->assertOk();
        Contract::assertMeets('listReports', $list);
        self::assertSame([['Hives of 2026', 11, 0]], array_map(static fn(array $one): array => [$one['title'], $one['blocks'], $one['editions']], $list->json()));
        $shown = [];
        foreach ($report->json('document.blocks') as $block) {
            $answer = $this->getJson("/api/reports/{$id}/blocks/{$block['id']}")->assertOk();
            Contract::assertMeets('showBlock', $answer);
            self::assertSame([], $answer->json('lacks'), $block['kind']);
            $shown[$block['title'] ?? $block['kind']] = $answer->json('html') . $answer->json('words');
        }
        // On screen the picture has the colours of the page, whatever its look.
        $pictures = implode('', array_filter($shown, static fn(string $html): bool => str_contains($html, '<svg')));
        self::assertMatchesRegularExpression('/fill="var\(--overall\)"/', $pictures);
        self::assertDoesNotMatchRegularExpression('/(?:fill|stroke)="#/', $pictures);
        self::assertStringContainsString('South gave <data value="32" title="Mean of Yield &lt;b&gt;&quot;best&quot;&lt;/b&gt; (kg), South">32.0</data> kg &lt;script&gt;.', $shown['text']);
        foreach (['All & sundry' => ['Entries', 'Commonest', 'North'], 'Figures of the yield' => ['<td>25.4</td>', '<td class="p1">5</td>', '<th scope="col">South</th>', 'Median <span class="sign">x̃</span>'], 'Apiaries' => ['60.0', 'With an entry'], 'Ages' => ['Estimated from the classes', 'Midpoint'], 'North and South' => ['Difference', 'Interquartile range'], 'Earlier and later' => ['With both', 'Rose'], 'Set aside' => ['the scale was broken', 'A5']] as $title => $parts) {
            foreach ($parts as $part) {
                self::assertStringContainsString($part, $shown[$title], $title);
            }
        }
    }

    public function test_figures_are_those_that_were_seen_whatever_the_account_chooses_later(): void
    {
        $dataset = $this->dataset("kg\n1\n2\n4\n");
        $this->putJson('/api/figures/chosen', ['figures' => ['mean', 'max']])->assertSuccessful();
        $kept = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg'])->assertCreated();
        Contract::assertMeets('keepBlock', $kept);
        $this->putJson('/api/figures/chosen', ['figures' => ['n']])->assertSuccessful();
        $html = $this->getJson("/api/reports/{$kept->json('report')}/blocks/{$kept->json('block')}")->json('html');
        self::assertStringContainsString('Mean', $html);
        self::assertStringContainsString('Maximum', $html);
    }

    public function test_a_change_is_a_version_that_undo_leaves_and_redo_comes_back_to(): void
    {
        $dataset = $this->dataset("kg\n1\n2\n");
        $id = $this->postJson("/api/datasets/{$dataset->id}/reports", ['title' => 'First'])->assertCreated()->json('id');
        $one = ['title' => 'First', 'blocks' => [['id' => 'b0001', 'kind' => 'heading', 'title' => 'A', 'level' => 1]], 'hidden' => []];
        $changed = $this->putJson("/api/reports/{$id}", ['version' => 1, 'document' => $one])->assertOk();
        Contract::assertMeets('changeReport', $changed);
        self::assertSame([2, true, false, $one], [$changed->json('version'), $changed->json('can_undo'), $changed->json('can_redo'), $changed->json('document')]);
        $stale = $this->putJson("/api/reports/{$id}", ['version' => 1, 'document' => $one])->assertStatus(409);
        Contract::assertMeets('changeReport', $stale);
        self::assertSame(2, $stale->json('version'));
        $two = [...$one, 'title' => 'Second', 'blocks' => [['kind' => 'text', 'id' => 'b0002', 'title' => 'B'], ...$one['blocks']]];
        $this->putJson("/api/reports/{$id}", ['version' => 2, 'document' => $two])->assertOk();
        self::assertSame('Second', $this->getJson("/api/datasets/{$dataset->id}/reports")->json('0.title'));
        $back = $this->postJson("/api/reports/{$id}/undo", ['version' => 3])->assertOk();
        self::assertSame([2, 'First', true], [$back->json('version'), $back->json('document.title'), $back->json('can_redo')]);
        self::assertSame('Second', $this->postJson("/api/reports/{$id}/redo", ['version' => 2])->assertOk()->json('document.title'));
        $this->postJson("/api/reports/{$id}/redo", ['version' => 3])->assertUnprocessable();
        $this->postJson("/api/reports/{$id}/undo", ['version' => 3])->assertOk();
        // Another change, and there is nothing to do again.
        self::assertFalse($this->putJson("/api/reports/{$id}", ['version' => 2, 'document' => [...$one, 'title' => 'Third']])->assertOk()->json('can_redo'));
        $this->deleteJson("/api/reports/{$id}")->assertNoContent();
        $this->getJson("/api/reports/{$id}")->assertNotFound();
    }

    public function test_what_is_kept_goes_behind_the_place_that_is_marked(): void
    {
        $dataset = $this->dataset("kg\n1\n2\n");
        $keep = fn(string $title): array => $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'heading', 'title' => $title])->assertCreated()->json();
        $first = $keep('A');
        $keep('B');
        $this->putJson("/api/reports/{$first['report']}/place", ['place' => $first['block']])->assertOk()->assertJsonPath('place', $first['block']);
        $keep('C');
        self::assertSame(['A', 'C', 'B'], array_column($this->getJson("/api/reports/{$first['report']}")->json('document.blocks'), 'title'));
        $this->putJson("/api/reports/{$first['report']}/place", ['place' => 'b00000'])->assertOk()->assertJsonPath('place', null);
        // Into one that is named.
        $other = $this->postJson("/api/datasets/{$dataset->id}/reports", ['title' => 'Other'])->json('id');
        self::assertSame($other, $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'heading', 'title' => 'D', 'report' => $other])->json('report'));
    }

    public function test_figures_that_changed_are_told_until_somebody_has_looked(): void
    {
        $dataset = $this->dataset("kg,site\n20,a\n30,a\n40,b\n");
        $keep = fn(array $block): array => $this->postJson("/api/datasets/{$dataset->id}/kept", $block)->assertCreated()->json();
        $report = $keep(['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg&figures=n,mean,max'])['report'];
        $keep(['kind' => 'figures', 'title' => 'by site', 'address' => 'of=kg&by=site&figures=mean']);
        $changes = fn(): array => array_map(static fn(array $change): string => "{$change['label']}: {$change['before']} → {$change['after']}", $this->getJson("/api/reports/{$report}/changes")->assertOk()->json('changes'));
        self::assertSame([], $changes());
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 3, 'variable' => 'kg', 'text' => '43']]])->assertCreated();
        $answer = $this->getJson("/api/reports/{$report}/changes");
        Contract::assertMeets('showFigureChanges', $answer);
        $all = ['Mean of kg: 30.0 → 31.0', 'Maximum of kg: 40 → 43', 'Mean of kg: 30.0 → 31.0', 'Mean of kg, b: 40.0 → 43.0'];
        self::assertSame($all, $changes());
        // A block that is kept now is seen as it is; the others stay changed.
        $keep(['kind' => 'figures', 'title' => 'new', 'address' => 'of=kg&figures=sum']);
        self::assertSame($all, $changes());
        $this->postJson("/api/reports/{$report}/seen")->assertNoContent();
        self::assertSame([], $changes());
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 2, 'kind' => 'set-aside', 'rows' => [3], 'reason' => 'x'])->assertCreated();
        self::assertContains('Mean of kg, b: 43.0 → ', $changes());
    }

    public function test_the_same_report_of_other_rows(): void
    {
        $first = $this->dataset("kg,site\n20,a\n30,a\n40,b\n", 'first.csv');
        $report = $this->postJson("/api/datasets/{$first->id}/kept", ['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg&by=site&figures=mean'])->json('report');
        $words = ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'figureField', 'attrs' => ['address' => 'of=kg', 'figure' => 'max', 'group' => '']]]]]];
        $this->postJson("/api/datasets/{$first->id}/kept", ['kind' => 'text', 'words' => $words])->assertCreated();
        $second = $this->dataset("site,kg\na,21\na,31\nb,40\n", 'second.csv');
        $made = $this->postJson("/api/reports/{$report}/again", ['dataset' => $second->id])->assertCreated();
        Contract::assertMeets('againWithRows', $made);
        self::assertSame($second->id, $made->json('dataset'));
        $changes = array_map(static fn(array $change): string => "{$change['label']}: {$change['before']} → {$change['after']}", $this->getJson("/api/reports/{$made->json('id')}/changes")->json('changes'));
        self::assertSame(['Mean of kg: 30.0 → 30.7', 'Mean of kg, a: 25.0 → 26.0'], $changes);
        $third = $this->dataset("place,weight\na,1\nb,2\n", 'third.csv');
        $asked = $this->postJson("/api/reports/{$report}/again", ['dataset' => $third->id])->assertUnprocessable();
        Contract::assertMeets('againWithRows', $asked);
        self::assertSame(['kg', 'site'], array_column($asked->json('unmatched'), 'name'));
        $told = $this->postJson("/api/reports/{$report}/again", ['dataset' => $third->id, 'names' => ['kg' => 'weight', 'site' => 'place']])->assertCreated();
        self::assertSame('of=weight&by=place&figures=mean', $told->json('document.blocks.0.address'));
    }

    /** @return iterable<string, array{string, list<string>, string|null, list<string>}> */
    public static function plans(): iterable
    {
        yield 'the dataset' => ['dataset', [], null, ['heading', 'text', 'overview', 'heading', 'readings', 'heading', 'text', 'picture', 'frequencies']];
        yield 'one variable' => ['variable', ['before'], null, ['heading', 'text', 'text', 'picture', 'heading', 'figures']];
        yield 'groups' => ['groups', ['before'], 'apiary', ['heading', 'text', 'picture', 'figures', 'readings', 'comparison']];
        yield 'pairs' => ['pairs', ['before', 'Y'], null, ['heading', 'text', 'picture', 'comparison', 'readings', 'figures']];
        yield 'classes' => ['classes', ['age'], null, ['heading', 'picture', 'classes', 'readings']];
    }

    /**
     * @param list<string> $of
     * @param list<string> $kinds
     */
    #[DataProvider('plans')]
    public function test_a_plan_fills_a_report_in_which_nothing_is_lacking(string $plan, array $of, ?string $by, array $kinds): void
    {
        $dataset = $this->hives();
        $of = array_map(static fn(string $key): string => $key === 'Y' ? $dataset->variables[2]->key : $key, $of);
        $report = $this->postJson("/api/datasets/{$dataset->id}/reports", ['title' => 'Filled', 'plan' => $plan, 'of' => $of, ...($by === null ? [] : ['by' => $by]), 'address' => 'as=population'])->assertCreated();
        self::assertSame($kinds, array_slice(array_column($report->json('document.blocks'), 'kind'), 0, count($kinds)));
        foreach ($report->json('document.blocks') as $block) {
            $shown = $this->getJson("/api/reports/{$report->json('id')}/blocks/{$block['id']}")->assertOk();
            self::assertSame([], $shown->json('lacks'), $block['kind'] . ' ' . ($block['address'] ?? ''));
        }
    }

    public function test_a_plan_says_what_it_needs(): void
    {
        $dataset = $this->hives();
        foreach (['variable' => 'Tick one number', 'groups' => 'Tick a number', 'pairs' => 'Tick two numbers', 'classes' => 'whose labels are classes'] as $plan => $sentence) {
            self::assertStringContainsString($sentence, (string) $this->postJson("/api/datasets/{$dataset->id}/reports", ['title' => 'x', 'plan' => $plan])->assertUnprocessable()->json('message'));
        }
    }

    public function test_what_has_come_to_nothing_says_why_in_its_place(): void
    {
        $dataset = $this->hives();
        $id = $this->reported($dataset);
        $revision = 2;
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $revision, 'kind' => 'delete-variable', 'variable' => $dataset->variables[2]->key])->assertCreated();
        $lacks = [];
        foreach ($this->getJson("/api/reports/{$id}")->json('document.blocks') as $block) {
            $shown = $this->getJson("/api/reports/{$id}/blocks/{$block['id']}")->assertOk();
            $lacks[$block['title'] ?? $block['kind']] = implode(' ', $shown->json('lacks'));
        }
        self::assertStringContainsString('was deleted. Bring it back', $lacks['Figures of the yield']);
        self::assertStringContainsString('was deleted', $lacks['Yield']);
        self::assertStringContainsString('was deleted', $lacks['text']);
        self::assertSame('', $lacks['Apiaries']);
        $unfinished = $this->getJson("/api/reports/{$id}/unfinished")->assertOk();
        Contract::assertMeets('listUnfinished', $unfinished);
        self::assertContains('Table 2', array_column($unfinished->json(), 'number'));
        self::assertGreaterThan(5, count($unfinished->json()));
        $this->getJson("/api/reports/{$id}/blocks/b00000")->assertNotFound();
    }

    public function test_lines_of_how_it_was_done_stay_out_one_by_one(): void
    {
        $dataset = $this->hives();
        $id = $this->reported($dataset);
        $method = $this->getJson("/api/reports/{$id}/method")->assertOk();
        Contract::assertMeets('showMethod', $method);
        $lines = array_merge(...array_map(static fn(array $part): array => array_column($part['lines'], 'text', 'key'), $method->json()));
        self::assertSame('SHA-256 of the file: ' . hash('sha256', self::HIVES), $lines['sha256']);
        self::assertSame('hives.csv, ' . strlen(self::HIVES) . ' bytes', $lines['source']);
        self::assertStringContainsString('set aside: the scale was broken', $lines['change-2']);
        self::assertSame('Row 5: the scale was broken', $lines['aside-5']);
        self::assertStringContainsString('Row Tally', $lines['with']);
        self::assertStringContainsString('Quartiles by halves', $lines['rule-halves-excluded']);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function unusable(): iterable
    {
        yield 'no kind' => [['title' => 'x']];
        yield 'another kind' => [['kind' => 'film']];
        yield 'a kind that is a list' => [['kind' => ['figures']]];
        yield 'what only the past holds' => [['kind' => 'held', 'held' => 1]];
        yield 'no such picture' => [['kind' => 'picture', 'picture' => 'film']];
        yield 'a long title' => [['kind' => 'text', 'title' => str_repeat('x', 201)]];
        yield 'a word that is not allowed' => [['kind' => 'figures', 'address' => 'of=kg&as=guess']];
        yield 'words that are none' => [['kind' => 'text', 'words' => ['type' => 'doc', 'content' => [['type' => 'script']]]]];
        yield 'a link that runs' => [['kind' => 'text', 'words' => ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'link', 'attrs' => ['href' => 'javascript:x']]]]]]]]]];
    }

    /** @param array<string, mixed> $block */
    #[DataProvider('unusable')]
    public function test_what_is_no_block_is_refused_in_a_sentence(array $block): void
    {
        $dataset = $this->dataset("kg\n1\n");
        self::assertNotSame('', (string) $this->postJson("/api/datasets/{$dataset->id}/kept", $block)->assertUnprocessable()->json('message'));
        self::assertSame(0, Report::query()->count());
    }

    public function test_a_report_has_room_for_so_many_blocks(): void
    {
        $dataset = $this->dataset("kg\n1\n");
        $id = $this->postJson("/api/datasets/{$dataset->id}/reports", ['title' => 'Full'])->json('id');
        $blocks = array_map(static fn(int $i): array => ['kind' => 'heading', 'id' => sprintf('b%04x', $i), 'title' => "H {$i}", 'level' => 1], range(1, 200));
        $this->putJson("/api/reports/{$id}", ['version' => 1, 'document' => ['title' => 'Full', 'blocks' => $blocks, 'hidden' => []]])->assertOk();
        self::assertStringContainsString('200 blocks', (string) $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'heading', 'title' => 'one more'])->assertUnprocessable()->json('message'));
        $this->putJson("/api/reports/{$id}", ['version' => 2, 'document' => ['title' => 'Full', 'blocks' => [$blocks[0], $blocks[0]], 'hidden' => []]])->assertUnprocessable();
    }

    public function test_for_another_account_it_does_not_exist(): void
    {
        $dataset = $this->dataset("kg\n1\n2\n");
        $kept = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg'])->json();
        [$edition] = $this->edition($kept['report']);
        $link = $this->postJson("/api/editions/{$edition}/links")->assertCreated()->json('id');
        $this->actingAs($this->account('stranger'));
        $own = $this->dataset("kg\n1\n2\n");
        $id = $kept['report'];
        foreach (['', "/blocks/{$kept['block']}", '/method', '/changes', '/unfinished', '/pages', '/pages/1?key=x', '/editions'] as $path) {
            $this->getJson("/api/reports/{$id}{$path}")->assertNotFound();
        }
        foreach (['undo', 'redo', 'seen', 'editions'] as $path) {
            $this->postJson("/api/reports/{$id}/{$path}", ['version' => 1])->assertNotFound();
        }
        $this->postJson("/api/reports/{$id}/again", ['dataset' => $own->id])->assertNotFound();
        $this->putJson("/api/reports/{$id}", ['version' => 1, 'document' => ['title' => 'x', 'blocks' => [], 'hidden' => []]])->assertNotFound();
        $this->putJson("/api/reports/{$id}/place", ['place' => null])->assertNotFound();
        $this->deleteJson("/api/reports/{$id}")->assertNotFound();
        $this->getJson("/api/datasets/{$dataset->id}/reports")->assertNotFound();
        foreach (["/api/editions/{$edition}", "/api/editions/{$edition}/changes", "/api/editions/{$edition}/files/html", "/api/editions/{$edition}/files/html/status"] as $path) {
            $this->getJson($path)->assertNotFound();
        }
        $this->postJson("/api/editions/{$edition}/files", ['form' => 'html'])->assertNotFound();
        $this->postJson("/api/editions/{$edition}/links")->assertNotFound();
        $this->deleteJson("/api/links/{$link}")->assertNotFound();
        // Nor can its rows be had through a report of one's own, also one that was written when both were one account's.
        $this->postJson("/api/datasets/{$own->id}/kept", ['kind' => 'comparison', 'address' => "what=datasets&of=kg&other={$dataset->id}"])->assertUnprocessable()->assertJsonPath('message', 'Choose the other dataset.');
        $second = $this->dataset("kg\n1\n2\n", 'second.csv');
        $mine = $this->postJson("/api/datasets/{$own->id}/kept", ['kind' => 'comparison', 'address' => "what=datasets&of=kg&other={$second->id}"])->assertCreated()->json();
        $second->forceFill(['user_id' => $this->keeper->id])->save();
        self::assertSame(['Choose the other dataset.'], $this->getJson("/api/reports/{$mine['report']}/blocks/{$mine['block']}")->json('lacks'));
        $this->postJson("/api/datasets/{$own->id}/kept", ['kind' => 'heading', 'title' => 'x', 'report' => $id])->assertNotFound();
    }
}
