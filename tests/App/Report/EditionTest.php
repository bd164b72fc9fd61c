<?php

declare(strict_types=1);

namespace Tests\App\Report;

use App\Models\EditionFile;
use App\Report\Editions\EditionFiles;
use App\Report\Forms\CannotHandOver;
use App\Report\Forms\Form;
use App\Report\Forms\HandOver;
use App\Report\Forms\TablesZip;
use App\Report\Forms\Tool;
use App\Report\Paper;
use App\Report\PaperTable;
use App\Store\Stopped;
use DOMDocument;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** A report that is handed over: in every form, the same for good, with a record of every figure. */
final class EditionTest extends AppTestCase
{
    use Reported;

    public function test_an_edition_stays_as_it_was_whatever_becomes_of_the_data(): void
    {
        $dataset = $this->dataset("kg\n20\n30\n", 'hives.csv');
        $report = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg&figures=mean'])->json('report');
        $made = $this->postJson("/api/reports/{$report}/editions", ['note' => 'First'])->assertCreated();
        Contract::assertMeets('makeEdition', $made);
        self::assertSame([1, 'First', 1], [$made->json('number'), $made->json('note'), $made->json('revision')]);
        $first = $this->file($made->json('id'), 'html');
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '28']]])->assertCreated();
        $this->putJson("/api/reports/{$report}", ['version' => 1, 'document' => ['title' => 'Another', 'blocks' => $this->getJson("/api/reports/{$report}")->json('document.blocks'), 'hidden' => []]])->assertOk();
        [$second, $told] = $this->edition($report);
        self::assertSame([2, 2, 'Another'], [$told['number'], $told['revision'], $told['title']]);
        self::assertSame($first, $this->file($made->json('id'), 'html'), 'to the byte');
        self::assertStringContainsString('25.0', $first);
        // A form that was not asked for before says the same.
        self::assertStringContainsString('| Mean x̄ | 25.0 |', self::unpacked($this->file($made->json('id'), 'markdown'))['report.md']);
        $changes = $this->getJson("/api/editions/{$second}/changes")->assertOk();
        Contract::assertMeets('showEditionChanges', $changes);
        self::assertSame([1, ['Mean of kg', '25.0', '29.0']], [$changes->json('before'), array_values(array_intersect_key($changes->json('changes.0'), ['label' => 0, 'before' => 0, 'after' => 0]))]);
        // Nothing new to say: no new edition.
        self::assertSame($second, $this->edition($report)[0]);
        $list = $this->getJson("/api/reports/{$report}/editions")->assertOk();
        Contract::assertMeets('listEditions', $list);
        self::assertSame([2, 1], array_column($list->json(), 'number'));
    }

    /** One walk over every figure: what the record states is what each form shows, and what the data give. */
    public function test_every_figure_is_the_same_in_every_form(): void
    {
        $dataset = $this->hives();
        $report = $this->reported($dataset);
        [$edition] = $this->edition($report, rows: true);
        $html = $this->file($edition, 'html');
        self::assertStringNotContainsString('var(--', $html, 'what is handed over has colours of its own');
        self::assertSame(1, preg_match('/<script type="application\/json" id="record">(.*?)<\/script>/s', $html, $found));
        $record = json_decode($found[1], true, flags: JSON_THROW_ON_ERROR);
        $figures = array_values(array_filter($record['figures'], static fn(array $figure): bool => !str_starts_with($figure['figure'], 'picture.')));
        self::assertGreaterThan(120, count($figures));
        $plain = static fn(string $text): string => (string) preg_replace('/\s+/u', ' ', $text);
        $document = new DOMDocument();
        $document->loadXML(self::unpacked($this->file($edition, 'docx'))['word/document.xml']);
        $markdown = self::unpacked($this->file($edition, 'markdown'));
        $texts = [
            'page' => $plain(implode(' ', array_map(fn(array $block): string => html_entity_decode(strip_tags((string) preg_replace('/<\/(?:p|td|th|caption)>/', ' ', implode(' ', array_intersect_key($this->getJson("/api/reports/{$report}/blocks/{$block['id']}")->json(), ['html' => 0, 'words' => 0])))), ENT_QUOTES | ENT_HTML5), $record['document']['blocks']))),
            'html' => $plain(html_entity_decode(strip_tags((string) preg_replace(['/<(script|style)\b.*?<\/\1>/s', '/<\/(?:p|td|th|caption)>/'], ' ', $html)), ENT_QUOTES | ENT_HTML5)),
            'pdf' => $plain(self::through(['pdftotext', '-', '-'], $this->file($edition, 'pdf'))),
            'docx' => $plain((string) $document->textContent),
            'markdown' => $plain(stripslashes($markdown['report.md'])),
        ];
        $cells = implode("\n", array_map(static fn(string $name): string => str_ends_with($name, '.csv') ? $markdown[$name] : '', array_map(strval(...), array_keys($markdown))));
        foreach ($figures as $figure) {
            foreach ($texts as $form => $text) {
                self::assertStringContainsString($plain($figure['text']), $text, "{$figure['label']} in {$form}");
            }
            // Shortest, and back to the same double.
            if (is_float($figure['value']) && $figure['block'] !== $record['document']['blocks'][1]['id'] && !in_array($figure['figure'], ['rows_left'], true)) {
                self::assertStringContainsString(json_encode($figure['value'], JSON_THROW_ON_ERROR), $cells, "{$figure['label']} in CSV");
            }
        }
        // The same by the API and on the command line.
        $key = $dataset->variables[2]->key;
        $profile = $this->profile($dataset, "of={$key}&by=apiary&figures=n,mean,sd,median");
        $stated = [];
        foreach ($figures as $figure) {
            if (str_starts_with($figure['words'], "of={$key}&by=apiary") && $figure['label'] !== 'Mean of Yield, South') {
                $stated["{$figure['figure']} " . json_encode($figure['group'])] = [$figure['text'], $figure['value']];
            }
        }
        foreach ($profile['sheets'][0]['figures'] as $row) {
            foreach ($row['values'] as $i => $value) {
                self::assertEquals([$value['text'], $value['value']], $stated["{$row['key']} " . json_encode($i === 0 ? null : $profile['groups'][$i - 1]['labels'] ?? [$profile['groups'][$i - 1]['name']])] ?? null, $row['key']);
            }
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'rows') . '.csv';
        file_put_contents($path, "Apiary,kg\nNorth,20\nNorth,22\nSouth,30\nSouth,34\nNorth,21\n");
        $told = json_decode(self::through(['php', base_path('artisan'), 'tally:profile', $path, '--variable=kg', '--json'], ''), true, flags: JSON_THROW_ON_ERROR);
        unlink($path);
        self::assertSame($stated['mean null'][1], $told['variables'][0]['groups'][0]['figures']['mean']);
    }

    public function test_the_page_stands_by_itself_and_runs_nothing(): void
    {
        $dataset = $this->hives();
        [$edition] = $this->edition($this->reported($dataset));
        $this->postJson("/api/editions/{$edition}/files", ['form' => 'html'])->assertStatus(202);
        $answer = $this->get("/api/editions/{$edition}/files/html")->assertOk();
        $html = $answer->streamedContent();
        self::assertStringContainsString('sandbox', (string) $answer->headers->get('Content-Security-Policy'));
        self::assertStringContainsString('hives-of-2026-edition-1.html', (string) $answer->headers->get('Content-Disposition'));
        $shown = (string) preg_replace('/<script type="application\/json".*?<\/script>/s', '', $html);
        self::assertDoesNotMatchRegularExpression('/<script|https?:\/\/(?!www\.w3\.org)|<link|url\(#clip|\.halo\{/', $shown, 'nothing runs and nothing is fetched');
        preg_match_all('/ id="([^"]+)"/', $shown, $ids);
        self::assertSame(array_unique($ids[1]), $ids[1], 'an id is there once');
        self::assertStringContainsString('How it was done', $shown);
        self::assertStringContainsString('Edition 1', $shown);
    }

    public function test_the_pdf_is_tagged_titled_and_carries_its_record_and_the_rows(): void
    {
        $dataset = $this->hives();
        [$edition] = $this->edition($this->reported($dataset), rows: true);
        $pdf = $this->file($edition, 'pdf', 'letter');
        self::assertMatchesRegularExpression('/Title:\s+Hives of 2026.*Tagged:\s+yes.*Page size:\s+612 x 792/s', self::through(['pdfinfo', '-'], $pdf));
        self::assertStringContainsString('/Lang', $pdf);
        self::assertStringContainsString('/Outlines', $pdf);
        self::assertStringNotContainsString(' no ', implode("\n", array_map(static fn(string $line): string => substr($line, 72, 4), array_slice(explode("\n", self::through(['pdffonts', '-'], $pdf)), 2))), 'all faces are inside');
        self::assertStringContainsString('1 of ', self::through(['pdftotext', '-', '-'], $pdf));
        $path = (string) tempnam(sys_get_temp_dir(), 'pdf');
        file_put_contents($path, $pdf);
        self::assertMatchesRegularExpression('/1: record\.json\s+2: rows\.csv/', self::through(['pdfdetach', '-list', $path], ''));
        self::through(['pdfdetach', '-save', '2', '-o', "{$path}.csv", $path], '');
        self::assertStringContainsString('A5,South,90,31.0,10-14,the scale was broken', (string) file_get_contents("{$path}.csv"));
        unlink($path);
        unlink("{$path}.csv");
    }

    public function test_word_processors_get_tables_headings_and_pictures_with_words(): void
    {
        [$edition] = $this->edition($this->reported($this->hives()));
        $files = self::unpacked($this->file($edition, 'docx'));
        $document = $files['word/document.xml'];
        self::assertSame(9, substr_count($document, '<w:tbl>'));
        foreach (['w:val="Heading2"', '>25.4<', 'descr="Yield'] as $part) {
            self::assertStringContainsString($part, $document);
        }
        self::assertCount(1, preg_grep('/^word\/media\/.*\.png$/', array_keys($files)) ?: []);
        $files = self::unpacked($this->file($edition, 'odt'));
        self::assertSame('application/vnd.oasis.opendocument.text', $files['mimetype']);
        self::assertStringContainsString('<table:table ', $files['content.xml']);
    }

    public function test_zips_have_tables_in_full_precision_and_pictures_twice(): void
    {
        [$edition] = $this->edition($this->reported($this->hives()));
        $files = self::unpacked($this->file($edition, 'tables'));
        self::assertSame(['pictures/figure-1.svg', 'pictures/figure-1.png', 'record.json'], array_values(array_filter(array_keys($files), static fn(string $name): bool => !str_starts_with($name, 'tables/'))));
        self::assertStringStartsWith("\x89PNG", $files['pictures/figure-1.png']);
        self::assertStringContainsString('Standard deviation s,6.2289646009589745', $files['tables/table-2.csv']);
        self::assertArrayHasKey('tables/table-4-2.csv', $files);
        self::assertNull(json_decode($files['record.json'], true, flags: JSON_THROW_ON_ERROR)['data']['rows_sha256']);
    }

    public function test_a_wide_table_is_split_and_never_cut(): void
    {
        $head = ['', ...array_map(static fn(int $i): string => "Variable number {$i}", range(1, 60))];
        $table = new PaperTable([$head, ['Mean', ...array_fill(0, 60, '1,234.56')]]);
        $parts = $table->parts();
        self::assertGreaterThan(4, count($parts));
        self::assertSame($head, ['', ...array_merge(...array_map(static fn(PaperTable $part): array => array_slice($part->cells[0], 1), $parts))]);
        foreach ($parts as $part) {
            self::assertSame('Mean', $part->cells[1][0]);
            self::assertLessThan(110, array_sum(array_map(mb_strlen(...), $part->cells[0])));
        }
    }

    public function test_a_table_runs_nothing_in_a_spreadsheet_and_a_difference_stays_a_number(): void
    {
        self::assertSame("\"'=1+1\",+21.6,-3,\"'＝cmd\",−2\r\n", TablesZip::csv([['=1+1', '+21.6', '-3', '＝cmd', '−2']]));
    }

    public function test_a_report_with_nothing_in_it_is_handed_over_too(): void
    {
        $dataset = $this->dataset("x\n1\n");
        $report = $this->postJson("/api/datasets/{$dataset->id}/reports", ['title' => '‮"Empty" 🐝 <script>alert(1)</script>'])->json('id');
        [$edition] = $this->edition($report);
        self::assertStringContainsString('&lt;script&gt;alert(1)', $this->file($edition, 'html'));
        foreach (['pdf', 'docx', 'markdown', 'tables'] as $form) {
            self::assertNotSame('', $this->file($edition, $form));
        }
        $this->postJson("/api/editions/{$edition}/files", ['form' => 'parchment'])->assertUnprocessable();
        $this->getJson("/api/editions/{$edition}/files/parchment")->assertNotFound();
        $this->getJson("/api/editions/{$edition}/files/odt")->assertNotFound();
    }

    /** @return iterable<string, array{non-empty-list<string>, string}> */
    public static function failing(): iterable
    {
        yield 'missing' => [['no-such-program'], 'this server has no no-such-program'];
        yield 'failing' => [['false'], 'could not be made'];
        yield 'out of memory' => [['php', '-d', 'memory_limit=-1', '-r', '$x = str_repeat("x", 3 << 30);'], 'could not be made'];
    }

    /** @param non-empty-list<string> $command */
    #[DataProvider('failing')]
    public function test_a_program_that_is_missing_or_fails_is_named_in_a_sentence(array $command, string $sentence): void
    {
        $this->expectException(CannotHandOver::class);
        $this->expectExceptionMessage($sentence);
        Tool::run($command, '', 'The PDF');
    }

    public function test_a_program_that_hangs_is_ended_and_named(): void
    {
        $this->expectException(CannotHandOver::class);
        $this->expectExceptionMessage('was not ready after 1 seconds');
        Tool::run(['sleep', '20'], '', 'The PDF', seconds: 1);
    }

    public function test_a_program_that_is_not_wanted_any_more_ends_at_once(): void
    {
        $began = microtime(true);
        try {
            Tool::run(['sleep', '20'], '', 'The PDF', isWanted: static fn(): bool => false);
            self::fail('It went on.');
        } catch (CannotHandOver $problem) {
            self::assertStringContainsString('cancelled', $problem->getMessage());
        }
        self::assertLessThan(5.0, microtime(true) - $began);
    }

    public function test_what_a_program_reports_is_seen_while_it_works_and_what_is_thrown_ends_it(): void
    {
        $began = microtime(true);
        $reported = '';
        try {
            Tool::run(['sh', '-c', 'echo "INFO: Step 1 - Fetching" >&2; sleep 0.5; echo "INFO: Step 5 - Creating layout - Page 3" >&2; exec sleep 20'], '', 'The PDF', isWanted: static function (string $said) use (&$reported): bool {
                $reported = $said;

                return HandOver::stepsDone($said) < 4 ? true : throw new Stopped();
            });
            self::fail('It went on.');
        } catch (Stopped) {
            self::assertStringContainsString('Page 3', $reported);
        }
        self::assertLessThan(5.0, microtime(true) - $began);
        self::assertSame([0, 0, 6], array_map(HandOver::stepsDone(...), ['', "WARNING: Ignored\nINFO: Step 1 - x", "INFO: Step 1 - x\nINFO: Step 7 - y"]));
    }

    public function test_what_is_cancelled_is_not_made_and_can_be_asked_for_again(): void
    {
        $dataset = $this->dataset("x\n1\n");
        [$edition] = $this->edition($this->postJson("/api/datasets/{$dataset->id}/reports", ['title' => 'x'])->json('id'));
        $file = EditionFile::query()->create(['edition_id' => $edition, 'form' => 'html', 'size' => 'a4', 'status' => 'waiting', 'asked_at' => time()])->refresh();
        $this->deleteJson("/api/editions/{$edition}/files/html")->assertNoContent();
        app(EditionFiles::class)->make($file->refresh());
        Contract::assertMeets('showFile', $this->getJson("/api/editions/{$edition}/files/html/status")->assertOk()->assertJsonPath('status', 'cancelled'));
        $this->get("/api/editions/{$edition}/files/html")->assertNotFound();
        $asked = $this->postJson("/api/editions/{$edition}/files", ['form' => 'html'])->assertStatus(202)->assertJsonPath('status', 'ready');
        Contract::assertMeets('askForFile', $asked);
    }

    public function test_files_go_with_the_report_and_with_the_dataset(): void
    {
        $dataset = $this->dataset("x\n1\n");
        $report = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'x', 'address' => 'of=x'])->json('report');
        [$edition] = $this->edition($report, rows: true);
        $this->file($edition, 'html');
        self::assertCount(2, Storage::files('editions'));
        $this->deleteJson("/api/datasets/{$dataset->id}")->assertNoContent();
        self::assertSame([], Storage::files('editions'));
    }

    public function test_more_rows_than_go_along_are_refused_before_they_are_all_written(): void
    {
        config()->set('app.row_bytes_of_a_report', 1 << 20);
        $dataset = $this->dataset("x,y\n" . implode("\n", array_map(static fn(int $row): string => "{$row},some words of row {$row}", range(1, 60_000))));
        $report = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'x', 'address' => 'of=x'])->json('report');
        $this->postJson("/api/reports/{$report}/editions", ['note' => '', 'rows' => true])->assertUnprocessable()
            ->assertJsonPath('message', 'The rows are more than 1 MB. Expected: at most 1 MB that go along with a report. Hand it over without the rows, and give them apart.');
        self::assertSame([], Storage::files('editions'));
        $this->edition($report);
    }

    public function test_the_pages_before_it_is_handed_over_are_those_of_the_paper(): void
    {
        $report = $this->reported($this->hives());
        $pages = $this->getJson("/api/reports/{$report}/pages?size=letter")->assertOk();
        Contract::assertMeets('setPages', $pages);
        self::assertGreaterThan(2, $pages->json('pages'));
        $page = $this->get("/api/reports/{$report}/pages/2?key={$pages->json('key')}")->assertOk();
        self::assertStringStartsWith("\x89PNG", (string) $page->getContent());
        $this->getJson("/api/reports/{$report}/pages/2?key=../../env")->assertNotFound();

        $name = str_repeat('ab', 16);
        $this->postJson("/api/underway/{$name}/stop")->assertNoContent();
        $this->getJson("/api/reports/{$report}/pages?size=a4", ['X-Underway' => $name])->assertStatus(409)->assertJsonPath('message', 'It was stopped before it was done.');
    }

    public function test_a_paper_comes_back_from_where_it_is_held_as_it_was(): void
    {
        $report = $this->reported($this->hives());
        [$edition] = $this->edition($report);
        $json = (string) \App\Models\Edition::query()->findOrFail($edition)->paper;
        self::assertSame($json, json_encode(Paper::ofJson($json)->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION));
        self::assertSame(app(HandOver::class)->as(Form::Page, Paper::ofJson($json)), app(HandOver::class)->as(Form::Page, Paper::ofJson($json)));
    }
}
