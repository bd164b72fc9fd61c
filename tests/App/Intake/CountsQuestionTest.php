<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\CountsQuestion;
use App\Intake\Decisions;
use App\Intake\TableLook;
use App\Models\Dataset;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;

/** A table that seems to hold classes or values with counts is asked about, and nothing else is. */
final class CountsQuestionTest extends AppTestCase
{
    /** @return iterable<string, array{string, array{string, int, list<int>}|null}> */
    public static function tables(): iterable
    {
        yield 'classes and counts' => ["Years,Keepers\n0-4,2.5\n5-9,4\n10+,1\n", ['classes', 0, [1]]];
        yield 'classes, a total, two columns of counts' => ["Years,North,South\n0-4,2,1\n5-9,4,2\ntogether,6,3\n", ['classes', 0, [1, 2]]];
        yield 'classes behind their counts' => ["Keepers;Years\n2,5;unter 5\n4;5 bis 9\n", ['classes', 1, [0]]];
        yield 'classes without counts' => ["Years,Apiary\n0-4,a\n5-9,b\n", null];
        yield 'a column with negatives counts nothing' => ["Years,Gain\n0-4,-2\n5-9,4\n", null];
        yield 'values and counts' => ["Cells,Hives\n0,5\n1,9\n2,3\n", ['values', 0, [1]]];
        yield 'values from the largest down' => ["Cells,Hives\n7,5\n3,9\n2,3\n", ['values', 0, [1]]];
        yield 'pairs of measurements' => ["Before,After\n7,5\n3,9\n7,3\n", null];
        yield 'two columns of limits and counts' => ["From,To,Keepers\n,4,1\n5,9,2.5\n10,14,4\n15,,1\n", ['limits', 0, [1]]];
        yield 'lowest and highest that overlap are no limits' => ["Low,High,Keepers\n1,4,1\n3,9,2.5\n", null];
        yield 'one row' => ["Years,Keepers\n0-4,2\n", null];
    }

    /** @param array{string, int, list<int>}|null $expected */
    #[DataProvider('tables')]
    public function test_it_is_asked_where_a_table_looks_counted(string $csv, ?array $expected): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        file_put_contents($path, $csv);
        $question = TableLook::at($path, 'table.csv', new Decisions())->countsQuestion;
        unlink($path);

        self::assertSame($expected, $question instanceof CountsQuestion ? [$question->kind, $question->of, $question->candidates] : null);
    }

    public function test_what_was_answered_comes_with_the_dataset(): void
    {
        $import = $this->postJson('/api/imports', ['text' => "Skipped,Years,Keepers\n1,0-4,2.5\n2,5-9,4\n"])->assertAccepted()->json('id');
        $this->getJson("/api/imports/{$import}/reading")->assertOk()->assertJsonPath('counts', null)->assertJsonPath('counts_question.candidates', [0, 2]);
        $this->postJson("/api/imports/{$import}/reading", ['changes' => [
            ['what' => 'counts', 'value' => 2], ['what' => 'counted', 'value' => 1], ['what' => 'take', 'column' => 0, 'value' => false],
        ]])->assertOk()->assertJsonPath('counts', 2);
        $this->postJson("/api/imports/{$import}/begin")->assertSuccessful();
        $dataset = Dataset::query()->latest('id')->firstOrFail();

        $this->getJson("/api/datasets/{$dataset->id}")->assertOk()->assertJsonPath('counts', 'keepers')->assertJsonPath('counted', 'years');
    }

    public function test_limits_in_two_columns_become_labels_of_classes(): void
    {
        $import = $this->postJson('/api/imports', ['text' => "From,To,Keepers\n,4,1\n5,9,2.5\n10,,4\n"])->assertAccepted()->json('id');
        $this->postJson("/api/imports/{$import}/reading", ['changes' => [['what' => 'shape', 'value' => 'limits'], ['what' => 'stacked', 'value' => [0, 1]]]])->assertOk()
            ->assertJsonPath('columns.1.name', 'From to To')->assertJsonPath('rows.0.cells', ['1', 'up to 4'])->assertJsonPath('rows.2.cells', ['4', '10 and over'])
            ->assertJsonPath('counts_question', ['kind' => 'classes', 'of' => 1, 'candidates' => [0]]);
        $this->postJson("/api/imports/{$import}/reading", ['changes' => [['what' => 'counts', 'value' => 0], ['what' => 'counted', 'value' => 1]]])->assertOk();
        $this->postJson("/api/imports/{$import}/begin")->assertSuccessful();
        $dataset = Dataset::query()->latest('id')->firstOrFail();

        // By hand: 2 × 1 + 7 × 2.5 + 12 × 4 is 67.5, over 7.5.
        $figures = $this->getJson("/api/datasets/{$dataset->id}/classes?of={$dataset->counted}&counts={$dataset->counts}")->assertOk()->json('figures');
        self::assertEquals(9, array_column($figures, null, 'key')['mean']['values'][0]['value']);
    }

    public function test_that_each_row_is_one_is_an_answer_too(): void
    {
        $import = $this->postJson('/api/imports', ['text' => "Years,Keepers\n0-4,2.5\n5-9,4\n"])->assertAccepted()->json('id');
        $this->postJson("/api/imports/{$import}/reading", ['changes' => [['what' => 'counts', 'value' => false]]])->assertOk()->assertJsonPath('counts', -1);
    }
}
