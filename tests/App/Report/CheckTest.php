<?php

declare(strict_types=1);

namespace Tests\App\Report;

use App\Models\Dataset;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** A report that is handed in is checked: its text against its record, its figures against the rows. */
final class CheckTest extends AppTestCase
{
    use Reported;

    /** @return iterable<string, array{string}> */
    public static function forms(): iterable
    {
        yield 'page' => ['html'];
        yield 'PDF' => ['pdf'];
        yield 'Markdown' => ['markdown'];
        yield 'tables' => ['tables'];
    }

    #[DataProvider('forms')]
    public function test_a_report_with_its_rows_agrees_in_every_figure(string $form): void
    {
        [$edition] = $this->edition($this->reported($this->hives()), rows: true);
        $result = $this->checked($this->file($edition, $form))->json('result');
        self::assertSame([0, 0], [$result['differing'], $result['lacking']], json_encode([$result['differs'], $result['lacks']], JSON_THROW_ON_ERROR));
        self::assertGreaterThan(120, $result['agree']);
        self::assertSame(['missing' => [], 'added' => [], 'figures' => []], $result['text']);
        self::assertSame(['The rows are those that the record names, to the byte.'], $result['notes']);
        self::assertSame(1, Dataset::query()->count(), 'nothing is left of it');
        self::assertSame(1, User::query()->count());
    }

    public function test_one_digit_in_the_text_is_found_and_named(): void
    {
        [$edition] = $this->edition($this->reported($this->hives()), rows: true);
        $html = $this->file($edition, 'html');
        $changed = preg_replace('/<td>25\.4/', '<td>25.5', $html, 1);
        self::assertNotSame($html, $changed);
        $text = $this->checked((string) $changed)->json('result.text');
        self::assertSame([['25.4'], ['25.5']], [$text['missing'], $text['added']]);
        self::assertContains('Mean of Yield <b>"best"</b> (kg)', array_column($text['figures'], 'label'));
        self::assertContains('Table 2', array_column($text['figures'], 'number'));
    }

    public function test_one_digit_in_the_record_is_found_and_named(): void
    {
        [$edition] = $this->edition($this->reported($this->hives()), rows: true);
        $record = self::unpacked($this->file($edition, 'tables'))['record.json'];
        $rows = self::unpacked($this->file($edition, 'tables'))['rows.csv'];
        $changed = preg_replace('/("value":25\.4,"text":"25\.)4"/', '${1}6"', $record, 1);
        self::assertNotSame($record, $changed);
        $result = $this->checked((string) $changed, $rows)->json('result');
        self::assertSame([['25.6', '25.4']], array_map(static fn(array $one): array => [$one['stated'], $one['recomputed']], $result['differs']));
        self::assertNull($result['text']);
    }

    public function test_one_cell_in_the_rows_is_found_in_every_figure_that_rests_on_it(): void
    {
        [$edition] = $this->edition($this->reported($this->hives()));
        $html = $this->file($edition, 'html');
        $rows = "Tag,Apiary,\"Yield <b>\"\"best\"\"</b> (kg)\",Before (kg),Age,Set aside\nA1,North,20,18.5,0-4,\nA2,North,22,21,5-9,\nA3,South,30,25,5-9,\nA4,South,35,30.5,10-14,\nA5,South,90,31,10-14,the scale was broken\nA6,North,21,20,0-4,\n";
        $result = $this->checked($html, $rows)->json('result');
        $found = array_column($result['differs'], 'recomputed', 'label');
        self::assertSame('25.6', $found['Mean of Yield <b>"best"</b> (kg)']);
        self::assertArrayNotHasKey('Mean of Yield <b>"best"</b> (kg), North', $found);
        self::assertArrayNotHasKey('Count of North in Apiary', $found);
        self::assertStringContainsString('may be the rows as they were taken out, or other rows', $result['notes'][0]);
    }

    public function test_another_quartile_rule_is_found(): void
    {
        $dataset = $this->dataset("kg\n1\n2\n3\n4\n5\n6\n7\n");
        $report = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg&figures=mean,q1,q3'])->json('report');
        [$edition] = $this->edition($report, rows: true);
        $files = self::unpacked($this->file($edition, 'tables'));
        $changed = str_replace('of=kg&figures=mean%2Cq1%2Cq3', 'of=kg&figures=mean%2Cq1%2Cq3&quartiles=hf7', $files['record.json']);
        self::assertNotSame($files['record.json'], $changed);
        $result = $this->checked($changed, $files['rows.csv'])->json('result');
        // Every figure of the block is asked under another rule now: none is the one that was stated.
        self::assertSame(3, $result['differing'] + $result['lacking']);
        self::assertSame(0, $result['agree']);
    }

    public function test_the_file_it_came_from_does_where_nothing_was_changed(): void
    {
        $csv = "kg;site\n\"1,5\";a\n\"2,5\";b\n";
        $dataset = $this->dataset($csv);
        $report = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg&by=site&figures=mean'])->json('report');
        [$edition] = $this->edition($report);
        $html = $this->file($edition, 'html');
        $result = $this->checked($html, $csv)->json('result');
        self::assertSame([3, 0, 0], [$result['agree'], $result['differing'], $result['lacking']]);
        self::assertSame(['This is the file that the record names, to the byte.'], $result['notes']);
        // Other variables: nothing can be recomputed, and it says why.
        $result = $this->checked($html, "a,b\n1,2\n")->json('result');
        self::assertSame([0, 3], [$result['agree'], $result['lacking']]);
        self::assertStringContainsString('no variable', $result['lacks'][0]['why']);
        self::assertSame('failed', $this->checked($html)->json('status'));
        self::assertStringContainsString('The rows did not come along', (string) $this->checked($html)->json('error'));
        self::assertStringContainsString('The rows cannot be read', (string) $this->checked($html, '')->json('error'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function unusable(): iterable
    {
        yield 'nothing' => ['', 'no report'];
        yield 'a text' => ['Dear all', 'no report'];
        yield 'a page without a record' => ['<!doctype html><html><body>x</body></html>', 'no record'];
        yield 'a record that was cut off' => ['{"format":"report-record","version":1,"document":{"ti', 'cut off'];
        yield 'a record without figures' => ['{"format":"report-record","version":1,"document":{"title":"x","blocks":[],"hidden":[]},"data":{}}', 'cut off'];
        yield 'another format' => ['{"format":"report-record","version":2}', 'not known here'];
        yield 'a block that is none' => ['{"format":"report-record","version":1,"document":{"title":"x","blocks":[{"kind":"film"}],"hidden":[]},"data":{},"figures":[]}', 'cut off'];
        yield 'a zip that was cut off' => ["PK\x03\x04abc", 'cut off or damaged'];
        yield 'a PDF that was cut off' => ["%PDF-1.7\nabc", 'cannot be read'];
    }

    #[DataProvider('unusable')]
    public function test_what_cannot_be_checked_says_why(string $bytes, string $sentence): void
    {
        $answer = $this->checked($bytes, "a\n1\n");
        self::assertSame('failed', $answer->json('status'));
        self::assertStringContainsString($sentence, (string) $answer->json('error'));
    }

    public function test_a_check_is_of_whoever_asked_for_it(): void
    {
        $id = $this->checked('Dear all')->json('id');
        $this->postJson('/api/checks', [])->assertUnprocessable();
        $this->actingAs($this->account('stranger'));
        $this->getJson("/api/checks/{$id}")->assertNotFound();
        $this->deleteJson("/api/checks/{$id}")->assertNotFound();
    }

    public function test_the_command_line_says_the_same(): void
    {
        [$edition] = $this->edition($this->reported($this->hives()), rows: true);
        $path = (string) tempnam(sys_get_temp_dir(), 'report');
        file_put_contents($path, $this->file($edition, 'html'));
        $this->artisan('tally:recheck', ['report' => $path])->expectsOutputToContain('Every figure agrees')->assertExitCode(0);
        file_put_contents($path, preg_replace('/<td>25\.4/', '<td>25.5', (string) file_get_contents($path), 1));
        $this->artisan('tally:recheck', ['report' => $path])->expectsOutputToContain('25.5')->assertExitCode(1);
        $this->artisan('tally:recheck', ['report' => '/nowhere'])->assertExitCode(2);
        unlink($path);
    }

    public function test_a_report_made_on_the_command_line_agrees_when_it_is_checked_there(): void
    {
        $rows = (string) tempnam(sys_get_temp_dir(), 'rows');
        $out = "{$rows}.html";
        file_put_contents($rows, "Tag;kg;Site\nA;1,5;n\nB;2,5;n\nC;4,5;s\nD;6,5;s\n");
        foreach (['dataset' => [], 'groups' => ['--variable' => ['kg'], '--by' => 'Site'], 'variable' => ['--variable' => ['kg'], '--quartiles' => 'hf7']] as $plan => $options) {
            $this->artisan('tally:report', ['file' => $rows, '--plan' => $plan, '--form' => 'html', '--rows' => true, '--out' => $out, ...$options])->assertExitCode(0);
            $this->artisan('tally:recheck', ['report' => $out])->expectsOutputToContain('Every figure agrees')->assertExitCode(0);
        }
        self::assertStringContainsString('definition 7', (string) file_get_contents($out));
        $this->artisan('tally:report', ['file' => $rows, '--variable' => ['honey'], '--out' => $out])->assertExitCode(2);
        $this->artisan('tally:report', ['file' => $rows, '--plan' => 'epic'])->assertExitCode(2);
        self::assertSame([0, 1], [Dataset::query()->count(), User::query()->count()], 'nothing is left of it');
        array_map(unlink(...), [$rows, $out]);
    }

    /** @return TestResponse<Response> */
    private function checked(string $report, ?string $rows = null): TestResponse
    {
        $files = ['report' => UploadedFile::fake()->createWithContent('report', $report), ...($rows === null ? [] : ['rows' => UploadedFile::fake()->createWithContent('rows.csv', $rows)])];
        $started = $this->post('/api/checks', $files, ['Accept' => 'application/json'])->assertStatus(202);
        Contract::assertMeets('startCheck', $started);
        $answer = $this->getJson("/api/checks/{$started->json('id')}")->assertOk();
        Contract::assertMeets('showCheck', $answer);

        return $answer;
    }
}
