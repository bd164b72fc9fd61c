<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Models\Dataset;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

final class RowsTest extends AppTestCase
{
    private const HIVES = "tag,apiary,kg\nA1,Brook,10.5\nA2,Alder,12\nA3,Brook,\nA4,Cold,n/a\nA5,Alder,9\n";

    public function test_a_window_anywhere_holds_the_rows_of_that_place(): void
    {
        $lines = '';
        for ($i = 1; $i <= 20_000; ++$i) {
            $lines .= "{$i}," . ($i % 97) / 8 . ',g' . $i % 3 . ",note {$i}\n";
        }
        $dataset = $this->dataset("n,x,g,note\n{$lines}");
        foreach ([0, 8191, 8192, 16_380, 19_995] as $from) {
            $answer = $this->rows($dataset, "from={$from}&count=7");
            $expected = range($from + 1, min(20_000, $from + 7));
            self::assertSame($expected, $answer['rows']);
            self::assertSame(array_map(static fn(int $row): string => number_format(($row % 97) / 8, 3, '.', ''), $expected), $answer['cells']['x']);
            self::assertSame(array_map(static fn(int $row): string => "note {$row}", $expected), $answer['cells']['note']);
        }
        $view = $this->rows($dataset, 'where=' . urlencode('x = 12 and g = \'g1\'') . '&sort=n:down&count=3');
        self::assertSame([19_981, 19_690, 19_399], $view['rows']);
    }

    public function test_rows_are_filtered_and_ordered_as_a_view(): void
    {
        $dataset = $this->dataset(self::HIVES);

        self::assertSame([1, 2], $this->rows($dataset, 'where=' . urlencode('kg > 10'))['rows']);
        self::assertSame([3, 4], $this->rows($dataset, 'where=' . urlencode('missing(kg)'))['rows']);
        self::assertSame([5, 1, 2, 3, 4], $this->rows($dataset, 'sort=kg')['rows'], 'missing ones last');
        self::assertSame([2, 1, 5, 3, 4], $this->rows($dataset, 'sort=kg:down')['rows']);
        self::assertSame([1, 3, 2, 5, 4], $this->rows($dataset, 'sort=apiary')['rows'], 'in the order of the labels');
        self::assertSame(['kg' => [3]], $this->rows($dataset, '')['unread']);
        self::assertSame([1, 2, 3, 4, 5], $this->rows($dataset, '')['rows']);
    }

    public function test_what_a_view_calls_an_outlier_follows_the_fences_that_it_is_given(): void
    {
        $dataset = $this->dataset("tag,kg\nA,1\nB,2\nC,3\nD,4\nE,5\nF,9\n");
        $outliers = fn(string $words): array => $this->rows($dataset, 'where=' . urlencode('outlier(kg)') . $words)['rows'];

        // Quartiles 2 and 5 by halves, with fences to 9.5; 2.25 and 4.75 by definition 7, to 8.5.
        self::assertSame([[], [6], [], [6]], [$outliers(''), $outliers('&quartiles=hf7'), $outliers('&quartiles=hf7&fences=3'), $outliers('&fences=1')]);
        self::assertSame([], $outliers(''), 'and each view is kept by its own fences');
        self::assertSame([6], $this->rows($dataset, 'where=' . urlencode('kg > 8') . '&fences=3')['rows']);
        Contract::assertMeets('listRows', $this->getJson("/api/datasets/{$dataset->id}/rows?fences=-1")->assertStatus(422));
        Contract::assertMeets('listRows', $this->getJson("/api/datasets/{$dataset->id}/rows?quartiles=mine")->assertStatus(422));
        self::assertStringContainsString('F,9', $this->get("/api/datasets/{$dataset->id}/export?format=csv&fences=1&where=" . urlencode('outlier(kg)'))->assertOk()->streamedContent());
    }

    public function test_a_condition_that_is_wrong_points_at_the_place(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $answer = $this->getJson("/api/datasets/{$dataset->id}/rows?where=" . urlencode('kg > '))->assertStatus(422);

        Contract::assertMeets('listRows', $answer);
        self::assertSame([5, 0], [$answer->json('at'), $answer->json('length')]);
        $this->getJson("/api/datasets/{$dataset->id}/rows?sort=nothing")->assertStatus(422);
    }

    public function test_a_text_is_found_from_a_place_on(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $find = fn(string $words): ?int => $this->getJson("/api/datasets/{$dataset->id}/rows/find?{$words}")->assertOk()->json('place');

        self::assertSame([0, 2, null, 3], [$find('text=brook&from=0'), $find('text=brook&from=1'), $find('text=brook&from=3'), $find('text=N/A&from=0')]);
    }

    public function test_a_text_is_found_in_any_kind_of_column_and_any_view_far_down(): void
    {
        $lines = '';
        for ($i = 1; $i <= 20_000; ++$i) {
            $lines .= ($i === 18_001 ? 'oops' : $i % 97) . ',' . ($i === 17_000 ? '1234567.5' : $i / 2) . ',' . ($i === 16_500 ? 'Última' : 'g' . $i % 3) . ',' . sin($i) . ",note {$i},2026-01-" . sprintf('%02d', 1 + $i % 28) . "\n";
        }
        $dataset = $this->dataset("code,x,label,wave,note,day\n{$lines}");
        $find = fn(string $text, string $words = 'from=0'): ?int => $this->getJson("/api/datasets/{$dataset->id}/rows/find?{$words}&text=" . urlencode($text))->assertOk()->json('place');

        self::assertSame([18_000, 16_999, 16_499, 12_344, null], [$find('OOPS'), $find('234567.5'), $find('ÚLTIMA'), $find('note 12345'), $find('nowhere')]);
        self::assertSame([26, 12], [$find('2026-01-28'), $find((string) sin(13))], 'dates and numbers that are no decimals');
        self::assertSame([0, 18_999], [$find('2026-01-02', 'from=0'), $find('500.0', 'from=16000&of=x')]);
        // Down the order of x the row with 1234567.5 comes first, and those with notes far below it last.
        self::assertSame([0, 20_000 - 12_345], [$find('234567.5', 'sort=x:down'), $find('note 12345', 'sort=x:down')]);
        self::assertSame([null, 6_343], [$find('oops', 'where=' . urlencode('x < 9000')), $find('note 12345', 'where=' . urlencode('x > 3000.5'))]);
    }

    public function test_the_ends_of_the_values_and_what_a_formula_gives(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $ends = $this->getJson("/api/datasets/{$dataset->id}/ends")->assertOk();
        Contract::assertMeets('showEnds', $ends);
        self::assertSame(['lowest' => '9.0', 'highest' => '12.0'], $ends->json('kg'));

        $trial = $this->postJson("/api/datasets/{$dataset->id}/formula", ['formula' => '1 / (kg - 12)'])->assertOk();
        Contract::assertMeets('tryFormula', $trial);
        self::assertSame(['number', ['kg'], [1, 2, 5], ['One row has no result: division by zero']], [$trial->json('kind'), $trial->json('inputs'), array_column($trial->json('rows'), 'row'), $trial->json('no_result')]);
    }

    public function test_the_entry_check_names_what_to_look_at_and_remembers_what_was(): void
    {
        $dataset = $this->dataset("apiary,kg\n" . str_repeat("Alder,15\nBrook,16\n", 10) . "Aldre,1500\n,17\n");
        $check = $this->getJson("/api/datasets/{$dataset->id}/check")->assertOk();
        Contract::assertMeets('checkEntries', $check);
        $suspects = array_values(array_filter($check->json(), static fn(array $line): bool => $line['suspect']));

        self::assertSame(['“Aldre” may be meant as “Alder”', 'One value is more than five times as large as three quarters of the others'], array_column($suspects, 'words'));
        foreach ($check->json() as $line) {
            if ($line['where'] !== null) {
                $this->getJson("/api/datasets/{$dataset->id}/rows?where=" . urlencode($line['where']))->assertOk();
            }
        }
        $seen = $this->postJson("/api/datasets/{$dataset->id}/check", ['variable' => 'kg', 'code' => 'magnitude-high', 'looked_at' => true])->assertOk();
        Contract::assertMeets('markLookedAt', $seen);
        self::assertSame(['kg:magnitude-high'], array_map(static fn(array $line): string => "{$line['variable']}:{$line['code']}", array_values(array_filter($seen->json(), static fn(array $line): bool => $line['looked_at']))));
    }

    public function test_a_second_typing_shows_the_cells_that_differ(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $answer = $this->post("/api/datasets/{$dataset->id}/compare", ['text' => "kg;tag\n10,50;A1\n21;A2\n;A3\nn/a;A 4\n9;A5\n8;A6\n"], ['Accept' => 'application/json'])->assertOk();
        Contract::assertMeets('compareEntries', $answer);

        self::assertSame([5, 6, 2], [$answer->json('rows_here'), $answer->json('rows_there'), $answer->json('differing')]);
        self::assertSame([[2, 'kg', '12.0', '21'], [4, 'tag', 'A4', 'A 4']], array_map(static fn(array $cell): array => [$cell['row'], $cell['variable'], $cell['here'], $cell['there']], $answer->json('first')));
        $this->post("/api/datasets/{$dataset->id}/compare", ['text' => "other;names\n1;2\n3;4\n"], ['Accept' => 'application/json'])->assertStatus(422)->assertJsonPath('message', 'None of its columns has the name of a variable here. Expected: one of: tag, apiary, kg. Put the names into the first line.');
    }

    public function test_columns_are_stacked_later_by_way_of_intake(): void
    {
        $dataset = $this->dataset("hive,spring,autumn\nA,1.5,2\nB,3,\n");
        $import = $this->postJson("/api/datasets/{$dataset->id}/reread")->assertStatus(202);
        Contract::assertMeets('rereadDataset', $import);
        $look = $this->postJson("/api/imports/{$import->json('id')}/reading", ['changes' => [['what' => 'shape', 'value' => 'stack'], ['what' => 'stacked', 'value' => [1, 2]], ['what' => 'value_name', 'value' => 'Weight (kg)']]])->assertOk();
        Contract::assertMeets('decideReading', $look);
        self::assertSame(['hive', 'From column', 'Weight'], array_column($look->json('columns'), 'name'));
        $begun = $this->postJson("/api/imports/{$import->json('id')}/begin")->assertOk();
        Contract::assertMeets('beginImport', $begun);
        $stacked = Dataset::query()->findOrFail($begun->json('dataset_id'));

        self::assertSame(['hive' => ['A', 'A', 'B', 'B'], 'from-column' => ['spring', 'autumn', 'spring', 'autumn'], 'weight' => ['1.5', '2.0', '3.0', '']], $this->rows($stacked, '')['cells']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function formats(): iterable
    {
        foreach (['csv' => 'csv', 'xlsx' => 'xlsx', 'ods' => 'ods', 'json' => 'json', 'json-lines' => 'jsonl', 'data-package' => 'zip'] as $format => $extension) {
            yield $format => [$format, $extension];
        }
    }

    #[DataProvider('formats')]
    public function test_a_view_is_taken_out_and_comes_in_again(string $format, string $extension): void
    {
        $dataset = $this->dataset(self::HIVES);
        $file = $this->get("/api/datasets/{$dataset->id}/export?format={$format}&of=kg,tag&sort=kg&where=" . urlencode("apiary <> 'Cold'"))->assertOk();
        self::assertStringContainsString("hives.{$extension}", (string) $file->headers->get('Content-Disposition'));
        $again = $this->dataset($file->streamedContent(), "again.{$extension}");

        self::assertSame(['kg' => ['9.0', '10.5', '12.0', ''], 'tag' => ['A5', 'A1', 'A2', 'A3']], $this->rows($again, '')['cells']);
    }

    public function test_a_waiting_file_shows_the_effect_of_each_decision_and_remembers_them(): void
    {
        $upload = fn(): int => $this->post('/api/imports', ['file' => UploadedFile::fake()->createWithContent('x.csv', "tag;kg\nA;1,5 kg\nB;2\nC;none\nD;3\n")], ['Accept' => 'application/json'])->assertStatus(202)->json('id');
        $id = $upload();
        $look = $this->getJson("/api/imports/{$id}/reading")->assertOk();
        Contract::assertMeets('showReading', $look);
        self::assertSame([2, 'waiting'], [$look->json('unread_cells'), $this->getJson("/api/imports/{$id}")->json('status')]);
        foreach ($look->json('unread') as $kind) {
            $look = $this->postJson("/api/imports/{$id}/reading", ['changes' => $kind['remedies'][0]['changes']])->assertOk();
        }
        self::assertSame([0, ['none']], [$look->json('unread_cells'), $look->json('missing')]);
        $this->postJson("/api/imports/{$id}/begin")->assertOk();
        self::assertSame(0, $this->getJson('/api/imports/' . $upload() . '/reading')->json('unread_cells'), 'the same columns again');

        $this->actingAs($this->account('other'));
        $this->getJson("/api/imports/{$id}/reading")->assertNotFound();
        self::assertSame(2, $this->getJson('/api/imports/' . $upload() . '/reading')->json('unread_cells'), 'decisions belong to an account');
    }

    public function test_nobody_else_reads_or_changes_rows(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->actingAs($this->account('other'));
        $at = "/api/datasets/{$dataset->id}";
        foreach (['rows', 'rows/find?text=x', 'changes', 'ends', 'check', 'variables/kg/labels', 'variables/kg/type?type=text', 'export?format=csv'] as $path) {
            $this->getJson("{$at}/{$path}")->assertNotFound();
        }
        foreach (['changes' => ['revision' => 1, 'kind' => 'undo'], 'formula' => ['formula' => '1'], 'check' => ['variable' => 'kg', 'code' => 'x', 'looked_at' => true], 'reread' => [], 'compare' => ['text' => 'x']] as $path => $body) {
            $this->postJson("{$at}/{$path}", $body)->assertNotFound();
        }
        $this->patchJson($at, ['title' => 'mine'])->assertNotFound();
        self::assertSame(1, DB::table('revisions')->count());
    }

    /** @return array<string, mixed> */
    private function rows(Dataset $dataset, string $words): array
    {
        $answer = $this->getJson("/api/datasets/{$dataset->id}/rows?{$words}")->assertOk();
        Contract::assertMeets('listRows', $answer);

        return $answer->json();
    }
}
