<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Models\Dataset;
use App\Report\CannotHandOver;
use App\Report\TablesZip;
use App\Report\Tool;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\App\AppTestCase;
use ZipArchive;

/** A report in every form that it is handed over as. */
final class HandOverTest extends AppTestCase
{
    private const HIVES = "Tag,Apiary,\"Yield <b>\"\"best\"\"</b> (kg)\"\nA1,North,20\nA2,North,22\nA3,South,30\nA4,South,34\nA5,South,90\n";

    public function test_the_page_stands_by_itself_and_runs_nothing(): void
    {
        $dataset = $this->reported();
        $page = $this->get("/api/datasets/{$dataset->id}/report/html")->assertOk();
        $html = (string) $page->getContent();
        self::assertStringContainsString('sandbox', (string) $page->headers->get('Content-Security-Policy'));
        self::assertStringContainsString('attachment; filename="hives-of-2026.html"', (string) $page->headers->get('Content-Disposition'));
        foreach (['<b>Figure 1.</b>', '<b>Table 1.</b>', 'South gave <data value="32" title="Mean of Yield &lt;b&gt;&quot;best&quot;&lt;/b&gt; (kg), South">32.0</data> kg.', 'Little &amp; late &lt;script&gt;', 'How it was done', 'Row 5 set aside: the scale was broken', 'the scale was broken</td>'] as $part) {
            self::assertStringContainsString($part, $html);
        }
        self::assertStringContainsString('<td>4<span class="d1"></span></td>', $html, 'points stand below one another');
        self::assertStringContainsString('26.5', strip_tags($html));
        self::assertStringNotContainsString('.halo{', $html, 'what draws PDFs would paint it over the letters');
        self::assertDoesNotMatchRegularExpression('/<script|https?:\/\/(?!www\.w3\.org)|<link|url\(#clip/', $html, 'nothing runs and nothing is fetched');
        self::assertSame(count(array_unique($ids = self::ids($html))), count($ids), 'an id is there once');
        self::assertSame($html, (string) $this->get("/api/datasets/{$dataset->id}/report/html")->getContent(), 'the same again, to the byte');
    }

    public function test_the_pdf_has_its_text_its_title_and_its_faces(): void
    {
        $dataset = $this->reported();
        $pdf = (string) $this->get("/api/datasets/{$dataset->id}/report/pdf?size=letter")->assertOk()->getContent();
        $text = self::through(['pdftotext', '-layout', '-', '-'], $pdf);
        foreach (['Figure 1.', 'Table 1.', 'South gave 32.0 kg.', 'Little & late <script>', 'the scale was broken', '1 of '] as $part) {
            self::assertStringContainsString($part, $text);
        }
        // Every figure of the table as it is shown.
        foreach (['26.5', '6.6', 'Mean x̄'] as $figure) {
            self::assertStringContainsString($figure, $text);
        }
        $told = self::through(['pdfinfo', '-'], $pdf);
        self::assertMatchesRegularExpression('/Title:\s+Hives of 2026.*Tagged:\s+yes.*Page size:\s+612 x 792/s', $told);
        self::assertStringNotContainsString(' no ', implode("\n", array_map(static fn(string $line): string => substr($line, 72, 4), array_slice(explode("\n", self::through(['pdffonts', '-'], $pdf)), 2))), 'all faces are inside');
    }

    public function test_word_processors_get_tables_headings_and_pictures_with_words(): void
    {
        $dataset = $this->reported();
        $files = self::unpacked((string) $this->get("/api/datasets/{$dataset->id}/report/docx")->assertOk()->getContent());
        $document = $files['word/document.xml'];
        self::assertSame(2, substr_count($document, '<w:tbl>'));
        foreach (['w:val="Heading2"', 'Little &amp; late', '>26.5<', 'descr="Yield'] as $part) {
            self::assertStringContainsString($part, $document);
        }
        self::assertCount(1, preg_grep('/^word\/media\/.*\.png$/', array_keys($files)) ?: []);
        $files = self::unpacked((string) $this->get("/api/datasets/{$dataset->id}/report/odt")->assertOk()->getContent());
        self::assertSame('application/vnd.oasis.opendocument.text', $files['mimetype']);
        self::assertStringContainsString('26.5', $files['content.xml']);
        self::assertStringContainsString('<table:table ', $files['content.xml']);
    }

    public function test_markdown_and_tables_come_in_a_zip(): void
    {
        $dataset = $this->reported();
        $files = self::unpacked((string) $this->get("/api/datasets/{$dataset->id}/report/markdown")->assertOk()->getContent());
        self::assertSame(['report.md', 'pictures/figure-1.svg', 'pictures/figure-1.png', 'tables/table-1.csv', 'tables/set-aside.csv'], array_map(strval(...), array_keys($files)));
        self::assertStringContainsString('> Little \\& late \\<script\\>', $files['report.md']);
        self::assertStringContainsString('| Mean x̄ | 26.5 |', $files['report.md']);
        self::assertStringStartsWith("\x89PNG", $files['pictures/figure-1.png']);
        self::assertStringContainsString('A5,South,90,the scale was broken', $files['tables/set-aside.csv']);
        $tables = (string) $this->get("/api/datasets/{$dataset->id}/report/tables")->assertOk()->getContent();
        self::assertSame(['figure-1.svg', 'table-1.csv', 'set-aside.csv'], array_map(strval(...), array_keys(self::unpacked($tables))));
        self::assertSame($tables, (string) $this->get("/api/datasets/{$dataset->id}/report/tables")->getContent(), 'the same again, to the byte');
    }

    public function test_a_table_runs_nothing_in_a_spreadsheet_and_a_difference_stays_a_number(): void
    {
        self::assertSame("\"'=1+1\",+21.6,-3,\"'＝cmd\",−2\r\n", TablesZip::csv([['=1+1', '+21.6', '-3', '＝cmd', '−2']]));
    }

    public function test_a_report_with_nothing_in_it_is_handed_over_too(): void
    {
        $dataset = $this->dataset("x\n1\n");
        $this->get("/api/datasets/{$dataset->id}/report/html")->assertOk()->assertSee('How it was done');
        $this->get("/api/datasets/{$dataset->id}/report/markdown")->assertOk();
        $this->get("/api/datasets/{$dataset->id}/report/tables")->assertOk();
        $this->getJson("/api/datasets/{$dataset->id}/report/parchment")->assertNotFound();
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

    private function reported(): Dataset
    {
        $dataset = $this->dataset(self::HIVES, 'hives.csv');
        $dataset->update(['title' => 'Hives of 2026']);
        $key = $dataset->variables[2]->key;
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'set-aside', 'rows' => [5], 'reason' => 'the scale was broken'])->assertCreated();
        $this->postJson("/api/datasets/{$dataset->id}/plots/stack?of={$key}&by=apiary", ['title' => 'Yield', 'address' => "of={$key}"])->assertCreated();
        $this->keep($dataset, ['title' => 'Figures', 'content' => '[["Yield","Overall"],["Count n","4"],["Mean x̄","26.5"],["Standard deviation s","6.6"],["Basis","A sample."]]', 'address' => "of={$key}"]);
        $this->keep($dataset, ['kind' => 'reading', 'title' => 'Yield', 'content' => json_encode(['sentence' => 'Little & late <script>', 'said' => 'x', 'rule' => 'y', 'source' => 'z'], JSON_THROW_ON_ERROR), 'address' => "of={$key}"]);
        $field = ['type' => 'figureField', 'attrs' => ['address' => "of={$key}&by=apiary", 'figure' => 'mean', 'group' => '["South"]']];
        $words = ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'South gave '], $field, ['type' => 'text', 'text' => ' kg.']]]]];
        $this->keep($dataset, ['kind' => 'text', 'title' => 'In short', 'content' => json_encode($words, JSON_THROW_ON_ERROR), 'address' => '']);

        return $dataset->refresh();
    }

    /** @param array<string, mixed> $item */
    private function keep(Dataset $dataset, array $item): void
    {
        $this->postJson("/api/datasets/{$dataset->id}/kept", ['revision' => 2, ...$item])->assertCreated();
    }

    /** @return list<string> */
    private static function ids(string $html): array
    {
        preg_match_all('/ id="([^"]+)"/', $html, $found);

        return $found[1];
    }

    /** @return array<string, string> */
    private static function unpacked(string $bytes): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $bytes);
        $zip = new ZipArchive();
        self::assertTrue($zip->open($path));
        $files = [];
        for ($i = 0; $i < $zip->numFiles; ++$i) {
            $files[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        $zip->close();
        unlink($path);

        return $files;
    }

    /** @param list<string> $command */
    private static function through(array $command, string $input): string
    {
        $process = new Process($command, null, null, $input);

        return $process->mustRun()->getOutput();
    }
}
