<?php

declare(strict_types=1);

namespace Tests\App\Http;

use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** What somebody needs who judges a variable: its far rows and what changes without them. */
final class JudgedTest extends AppTestCase
{
    private const HIVES = "Tag,Apiary,Yield (kg)\nN1,North,1\nN2,North,2\nN3,North,3\nN4,North,4\nN5,North,5\nN6,North,30\nS1,South,40\nS2,South,41\nS3,South,42\nS4,South,43\nS5,South,44\nS6,South,200\n";

    public function test_far_rows_overall_and_in_their_group_with_all_their_values(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $answer = $this->getJson("/api/datasets/{$dataset->id}/judged?of=yield&by=apiary&figures=n,mean,sd")->assertOk();
        Contract::assertMeets('showJudged', $answer);
        // By hand: overall only 200 lies beyond, in its group 30 does too.
        self::assertSame(2, $answer->json('far.total'));
        self::assertSame([[12, [null, 'South']], [6, ['North']]], array_map(static fn(array $row): array => [$row['row'], $row['beyond']], $answer->json('far.rows')));
        self::assertSame(['tag' => 'S6', 'apiary' => 'South', 'yield' => '200'], $answer->json('far.rows.0.cells'));
        self::assertSame([null, 'North', 'South'], array_column($answer->json('columns'), 'name'));
        $north = array_column($answer->json('columns.1.without'), null, 'key');
        self::assertSame(['7.5', '3.0', '−4.5'], [$north['mean']['with'], $north['mean']['without'], $north['mean']['difference']]);
        self::assertSame([1, 2, 3], array_column($answer->json('columns.0.spread'), 'k'));
        // By hand: the mean is 37.9 and the SD 54.4, so only 200 lies two of them out; in its group it does by 2.0.
        self::assertSame([[2, '1', '0.5'], [3, '0', '0.0']], array_map(array_values(...), $answer->json('z.over')));
        self::assertSame([[12, 'S6', '200', '2.98']], array_map(static fn(array $row): array => [$row['row'], $row['label'], $row['value'], $row['text']], $answer->json('z.rows')));
        self::assertSame([12, 6], array_column($answer->json('z_within.rows'), 'row'));
        foreach (['z' => [12], 'z_within' => [6, 12]] as $which => $rows) {
            self::assertSame($rows, $this->getJson("/api/datasets/{$dataset->id}/rows?where=" . urlencode($answer->json("{$which}.where")))->assertOk()->json('rows'), 'its condition leaves the same rows');
        }
        self::assertNull($this->getJson("/api/datasets/{$dataset->id}/judged?of=yield")->json('z_within'));
        self::assertSame(['n', 'mean', 'sd'], array_column($answer->json('columns.0.depends'), 'key'));
    }

    public function test_a_row_that_was_looked_at_stays_until_the_values_change(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->postJson("/api/datasets/{$dataset->id}/check", ['variable' => 'yield', 'code' => 'far-row:12', 'looked_at' => true])->assertOk();
        $stays = fn(): array => array_column($this->getJson("/api/datasets/{$dataset->id}/judged?of=yield")->assertOk()->json('far.rows'), 'stays', 'row');
        self::assertSame([12 => true], $stays());
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 12, 'variable' => 'yield', 'text' => '201']]])->assertCreated();
        self::assertSame([12 => false], $stays());
    }

    public function test_what_is_set_aside_is_not_far_any_more(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'set-aside', 'rows' => [12], 'reason' => 'broken scale'])->assertCreated();
        $judged = $this->getJson("/api/datasets/{$dataset->id}/judged?of=yield")->assertOk();
        self::assertSame([0, null], [$judged->json('far.total'), $judged->json('z.where')]);
        $apart = $this->getJson("/api/datasets/{$dataset->id}/judged?of=yield&by=apiary&where=" . urlencode("Tag != 'S1'"))->assertOk()->json('z_within');
        self::assertSame(array_column($apart['rows'], 'row'), $this->getJson("/api/datasets/{$dataset->id}/rows?where=" . urlencode((string) $apart['where']))->assertOk()->json('rows'));
        self::assertSame(0, $this->getJson("/api/datasets/{$dataset->id}/judged?of=yield&where=" . urlencode('Yield > 1000'))->assertOk()->json('far.total'));
        $this->getJson("/api/datasets/{$dataset->id}/judged?of=apiary")->assertUnprocessable();
        $this->getJson("/api/datasets/{$dataset->id}/judged")->assertUnprocessable();
    }
}
