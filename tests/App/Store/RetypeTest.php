<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Models\Dataset;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** What another type of a variable would do is told before it is done, and then it is what happens. */
final class RetypeTest extends AppTestCase
{
    private const FILE = "tag,kg,seen,note\nA1,10.5,2026-03-01,7\nA2,n/a,2026-03-02,calm\nA3,,soon,wild\nA4,12,2026-03-04,8.5\n";

    /** @return iterable<string, array{string, string, list<array{row: int, text: string}>, int|null}> variable, type, what would be unread, labels */
    public static function types(): iterable
    {
        yield 'a category becomes a number' => ['note', 'number', [['row' => 2, 'text' => 'calm'], ['row' => 3, 'text' => 'wild']], null];
        yield 'a number becomes a text' => ['kg', 'text', [], null];
        yield 'a number becomes a category' => ['kg', 'category', [], 3];
        yield 'an id becomes a category' => ['tag', 'category', [], 4];
        yield 'an id becomes a number' => ['tag', 'number', [['row' => 1, 'text' => 'A1'], ['row' => 2, 'text' => 'A2'], ['row' => 3, 'text' => 'A3'], ['row' => 4, 'text' => 'A4']], null];
        yield 'a date becomes a number' => ['seen', 'number', [['row' => 1, 'text' => '2026-03-01'], ['row' => 2, 'text' => '2026-03-02'], ['row' => 3, 'text' => 'soon'], ['row' => 4, 'text' => '2026-03-04']], null];
        yield 'a category becomes a date' => ['note', 'date', [['row' => 1, 'text' => '7'], ['row' => 2, 'text' => 'calm'], ['row' => 3, 'text' => 'wild'], ['row' => 4, 'text' => '8.5']], null];
    }

    /** @param list<array{row: int, text: string}> $unread */
    #[DataProvider('types')]
    public function test_what_would_be_unread_is_told_and_is_what_happens(string $variable, string $type, array $unread, ?int $labels): void
    {
        $dataset = $this->dataset(self::FILE);
        $before = $this->cells($dataset, $variable);
        $answer = $this->getJson("/api/datasets/{$dataset->id}/variables/{$variable}/type?type={$type}")->assertOk();
        Contract::assertMeets('tryType', $answer);
        self::assertSame(['unread' => count($unread), 'first' => $unread, 'labels' => $labels], $answer->json());
        self::assertSame(1, $dataset->refresh()->revision, 'telling changes nothing');

        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'retype-variable', 'variable' => $variable, 'type' => $type])->assertCreated();
        $changed = $dataset->refresh()->load('variables')->variables->firstWhere('key', $variable);
        self::assertNotNull($changed);
        self::assertSame([$type, count($unread)], [$changed->type->value, $changed->unread]);
        self::assertSame($before, $this->cells($dataset, $variable), 'no cell is lost');
        self::assertSame($labels, $labels === null ? null : count($changed->dictionary));
    }

    public function test_all_dates_of_a_column_are_read_in_one_order(): void
    {
        $dataset = $this->dataset("note\nwhen\nwho\n03/04/2026\nwhy\n05/25/2026\n");
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [
            ['row' => 1, 'variable' => 'note', 'text' => '06/07/2026'], ['row' => 2, 'variable' => 'note', 'text' => ''], ['row' => 4, 'variable' => 'note', 'text' => ''],
        ]])->assertCreated();
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 2, 'kind' => 'retype-variable', 'variable' => 'note', 'type' => 'date'])->assertCreated();

        self::assertSame(['2026-06-07', '', '2026-03-04', '', '2026-05-25'], $this->cells($dataset, 'note'));
    }

    public function test_a_typed_date_that_can_be_two_days_is_asked_about(): void
    {
        $dataset = $this->dataset(self::FILE);
        $type = fn(string $text): TestResponse => $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $dataset->refresh()->revision, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'seen', 'text' => $text]]]);

        $refused = $type('03/04/2026')->assertStatus(422)->assertJsonPath('findings.0.code', 'ambiguous');
        self::assertStringContainsString('Type 2026-04-03 or 2026-03-04.', $refused->json('message'));
        foreach (['25/04/2026' => '2026-04-25', '04/26/2026' => '2026-04-26', '3.3.2026' => '2026-03-03', '2026-04-03' => '2026-04-03'] as $typed => $iso) {
            $type($typed)->assertCreated();
            self::assertSame($iso, $this->cells($dataset, 'seen')[0]);
        }
    }

    public function test_an_unknown_variable_and_an_unknown_type_are_named(): void
    {
        $dataset = $this->dataset(self::FILE);

        Contract::assertMeets('tryType', $this->getJson("/api/datasets/{$dataset->id}/variables/nothing/type?type=number")->assertStatus(422));
        Contract::assertMeets('tryType', $this->getJson("/api/datasets/{$dataset->id}/variables/kg/type?type=colour")->assertStatus(422));
    }

    public function test_more_labels_than_a_category_holds_are_counted_beyond_that(): void
    {
        $dataset = $this->dataset("word\n" . implode("\n", array_map(static fn(int $i): string => "w{$i} x", range(1, 400))) . "\n");

        self::assertSame(256, $this->getJson("/api/datasets/{$dataset->id}/variables/word/type?type=category")->json('labels'));
    }

    /** @return list<string> without what only a number adds: the same number of decimals everywhere */
    private function cells(Dataset $dataset, string $variable): array
    {
        $cells = $this->getJson("/api/datasets/{$dataset->id}/rows?of={$variable}")->assertOk()->json("cells.{$variable}");

        return array_map(static fn(string $cell): string => is_numeric($cell) ? (string) (float) $cell : $cell, $cells);
    }
}
