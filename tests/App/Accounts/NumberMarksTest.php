<?php

declare(strict_types=1);

namespace Tests\App\Accounts;

use App\Accounts\Scope;
use App\Accounts\Tokens;
use App\Models\Dataset;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Tests\App\AppTestCase;
use Tests\App\Report\Reported;
use Tests\App\Support\Contract;

/** Whoever is signed in reads numbers as they write them; what machines read stays as it is. */
final class NumberMarksTest extends AppTestCase
{
    use Reported;

    private const COMMA = ['decimal' => 'comma', 'thousands' => 'point', 'minus' => 'hyphen', 'days' => 'day-first-points'];

    private function write(array $marks = self::COMMA): void
    {
        $answer = $this->patchJson('/api/account', ['numbers' => $marks])->assertOk();
        Contract::assertMeets('changeAccount', $answer);
        $this->keeper->refresh();
    }

    public function test_figures_sentences_and_pictures_have_the_marks_of_whoever_asks(): void
    {
        $dataset = $this->dataset("kg,day\n-12345.5,2026-03-21\n20.25,2026-04-02\n");
        $this->write();

        $mean = $this->profile($dataset, 'of=kg&figures=mean')['sheets'][0]['figures'][0]['values'][0];
        self::assertSame('-6162,625', $mean['text'], 'four digits are not grouped');
        self::assertSame(-6162.625, $mean['value'], 'a value is a number');
        self::assertStringContainsString('fences at 1,5 IQR', $this->getJson("/api/datasets/{$dataset->id}/profile?of=kg")->json('basis.words'));
        self::assertStringContainsString('-12.345,5', $this->getJson("/api/datasets/{$dataset->id}/working?of=kg&figure=min&column=0")->assertOk()->json('plain'));
        self::assertStringNotContainsString('.5', implode(' ', array_column($this->getJson("/api/datasets/{$dataset->id}/readings?of=kg")->json('readings'), 'sentence')));
        self::assertSame('-12345.50', $this->getJson("/api/datasets/{$dataset->id}/rows")->json('cells.kg.0'), 'the page writes cells itself');
    }

    public function test_a_script_has_the_marks_of_the_standard(): void
    {
        $dataset = $this->dataset("kg\n1.5\n2\n");
        $this->write();
        $token = Tokens::make($this->keeper, 'script', [Scope::Read], 7);
        Auth::forgetGuards();

        $answer = $this->withToken($token)->getJson("/api/datasets/{$dataset->id}/profile?of=kg&figures=mean")->assertOk();
        self::assertSame('1.75', $answer->json('sheets.0.figures.0.values.0.text'));
    }

    public function test_a_mark_cannot_stand_for_two_things(): void
    {
        $this->patchJson('/api/account', ['numbers' => [...self::COMMA, 'thousands' => 'comma']])->assertUnprocessable()
            ->assertJsonPath('message', 'The mark between thousands cannot be the one before decimals: choose another for one of them.');
        $this->patchJson('/api/account', ['numbers' => [...self::COMMA, 'minus' => 'bracket']])->assertUnprocessable();
        $this->patchJson('/api/account', ['numbers' => ['decimal' => 'comma']])->assertUnprocessable();
        self::assertTrue($this->keeper->refresh()->marks()->isStandard);
    }

    public function test_what_is_kept_in_words_is_written_for_whoever_reads_it(): void
    {
        $dataset = $this->dataset("kg\n" . implode("\n", range(1, 1500)) . "\n");
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'delete-rows', 'rows' => range(1, 1204)])->assertCreated();
        $said = fn(): string => $this->getJson("/api/datasets/{$dataset->id}/changes")->json('undo');

        self::assertStringStartsWith('1,204 rows deleted', $said());
        $this->write();
        self::assertStringStartsWith('1.204 rows deleted', $said());
    }

    public function test_a_report_is_handed_over_and_checked_with_the_marks_of_its_maker(): void
    {
        $dataset = $this->hives();
        $report = $this->reported($dataset);
        $this->getJson("/api/reports/{$report}/changes")->assertJsonPath('changes', []);
        $this->write();
        $this->getJson("/api/reports/{$report}/changes")->assertJsonPath('changes', []);

        [$edition] = $this->edition($report, rows: true);
        $page = $this->file($edition, 'html');
        self::assertStringContainsString('<td>25,4', $page);
        self::assertStringNotContainsString('<td>25.4', $page);
        // Whoever checks it writes numbers otherwise.
        $this->write(['decimal' => 'point', 'thousands' => 'counts', 'minus' => 'minus', 'days' => 'year-first']);
        $check = $this->post('/api/checks', ['report' => UploadedFile::fake()->createWithContent('report', $page)], ['Accept' => 'application/json'])->assertStatus(202)->json('id');
        $result = $this->getJson("/api/checks/{$check}")->assertOk()->json('result');
        self::assertSame([0, 0], [$result['differing'], $result['lacking']], json_encode($result['differs'], JSON_THROW_ON_ERROR));
        self::assertSame(['missing' => [], 'added' => [], 'figures' => []], $result['text']);
    }

    public function test_groups_of_classes_have_the_marks_of_whoever_reads_them_and_are_found_by_any(): void
    {
        $standard = ['decimal' => 'point', 'thousands' => 'counts', 'minus' => 'minus', 'days' => 'year-first'];
        $rows = '';
        for ($i = 0; $i < 60; ++$i) {
            $rows .= "{$i}," . $i / 100 . ',' . ['"1,5 up"', '1.5 up'][$i % 2] . "\n";
        }
        $dataset = $this->dataset("kg,age,Note\n{$rows}");
        $groups = fn(): array => array_map(static fn(array $labels): string => (string) $labels[0], array_column($this->profile($dataset->refresh(), 'of=kg&by=age')['groups'], 'labels'));
        $this->write();
        $written = $groups();
        $this->write($standard);
        $plain = $groups();
        self::assertSame('0.2 to under 0.4', $plain[1]);
        self::assertSame(str_replace('.', ',', $plain), $written);

        // An address and a sentence hold the name as it was read by whoever made them.
        foreach ([$plain, $written] as $names) {
            $compared = $this->getJson("/api/datasets/{$dataset->id}/compared?" . http_build_query(['what' => 'groups', 'of' => 'kg', 'by' => 'age', 'groups' => json_encode([$names[0], $names[1]], JSON_THROW_ON_ERROR)]))->assertOk()->json();
            self::assertSame([$plain[0], $plain[1]], array_column($compared['sides'], 'name'));
            $field = ['address' => 'of=kg&by=age', 'figure' => 'mean', 'group' => json_encode([$names[1]], JSON_THROW_ON_ERROR)];
            self::assertSame('29.5', $this->postJson("/api/datasets/{$dataset->id}/fields", ['fields' => [$field]])->assertOk()->json('fields.0.text'));
        }
        // Labels are no numbers: each is its own.
        $labels = array_column($this->profile($dataset, 'of=kg&by=note')['groups'], 'labels');
        self::assertSame([['1,5 up'], ['1.5 up']], $labels);
        $this->write();
        self::assertSame($labels, array_column($this->profile($dataset, 'of=kg&by=note')['groups'], 'labels'));
    }

    public function test_what_has_changed_in_a_report_is_told_in_ones_own_marks(): void
    {
        $dataset = $this->hives();
        $report = $this->reported($dataset);
        $this->getJson("/api/reports/{$report}/changes")->assertOk();
        $this->write();
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 2, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => $dataset->variables[2]->key, 'text' => '21.5']]])->assertCreated();
        $mean = array_values(array_filter($this->getJson("/api/reports/{$report}/changes")->json('changes'), static fn(array $one): bool => str_starts_with($one['label'], 'Mean of') && $one['before'] === '25,4'));

        self::assertSame('25,70', $mean[0]['after']);
    }

    public function test_a_csv_has_ones_own_marks_where_they_are_asked_for(): void
    {
        $dataset = $this->dataset("kg;day;note\n-1,5;2026-03-21;a.b\n2,25;2026-04-02;\"1;2\"\nx,y.z;;\n");
        $this->write();
        $csv = fn(string $words): string => $this->get("/api/datasets/{$dataset->id}/export?format=csv{$words}")->assertOk()->streamedContent();

        self::assertSame("\u{FEFF}kg,day,note\r\n-1.50,2026-03-21,a.b\r\n2.25,2026-04-02,\"1;2\"\r\n\"x,y.z\",,\r\n", $csv(''));
        self::assertSame("\u{FEFF}kg;day;note\r\n-1,50;21.03.2026;a.b\r\n2,25;02.04.2026;\"1;2\"\r\n\"x,y.z\";;\r\n", $csv('&numbers=own'));
        self::assertStringContainsString('decimal-comma.csv', (string) $this->get("/api/datasets/{$dataset->id}/export?format=csv&numbers=own")->headers->get('Content-Disposition'));
        // It comes back as it was.
        $again = $this->dataset($csv('&numbers=own'), 'again.csv');
        self::assertSame(Dataset::query()->findOrFail($dataset->id)->variables->map(static fn($variable): string => $variable->type->value)->all(), $again->variables->map(static fn($variable): string => $variable->type->value)->all());
        self::assertSame(['-1.50', '2.25', 'x,y.z'], $this->getJson("/api/datasets/{$again->id}/rows?of=kg")->json('cells.kg'));
    }

    public function test_the_first_day_of_a_week_is_kept_until_another_is_chosen(): void
    {
        self::assertSame('monday', $this->getJson('/api/account')->json('numbers.week'));
        $this->write(['decimal' => 'point', 'thousands' => 'counts', 'minus' => 'minus', 'days' => 'year-first', 'week' => 'sunday']);
        $this->write(['decimal' => 'comma', 'thousands' => 'point', 'minus' => 'minus', 'days' => 'year-first']);
        $account = $this->getJson('/api/account')->assertOk();
        Contract::assertMeets('showAccount', $account);
        self::assertSame('sunday', $account->json('numbers.week'));
        $this->patchJson('/api/account', ['numbers' => ['decimal' => 'comma', 'thousands' => 'point', 'minus' => 'minus', 'days' => 'year-first', 'week' => 'friday']])->assertUnprocessable();
    }
}
