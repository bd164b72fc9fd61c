<?php

declare(strict_types=1);

namespace Tests\App\Http;

use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** What the figures of a dataset say, and what is kept of it. */
final class ReadingsTest extends AppTestCase
{
    private const HIVES = "Tag,Apiary,Yield (kg)\nA-01,North,1\nA-02,North,2\nA-03,North,3\nA-04,North,4\nA-05,North,5\nB-01,South,6\nB-02,South,7\nB-03,South,8\nB-04,South,9\nB-05,South,90\nB-06,South,\n";

    public function test_the_sheet_says_what_its_figures_say_in_the_words_of_the_dataset(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->patchJson("/api/datasets/{$dataset->id}", ['row_one' => 'hive', 'row_many' => 'hives'])->assertOk()->assertJsonPath('row_many', 'hives');
        $answer = $this->getJson("/api/datasets/{$dataset->id}/readings?of=yield&by=apiary")->assertOk();
        Contract::assertMeets('listReadings', $answer);
        $said = [];
        foreach ($answer->json('readings') as $reading) {
            $said[$reading['key'] . ' of ' . ($reading['column'] ?? 'all')] = $reading['sentence'];
        }
        self::assertSame('1 of 11 hives has no entry of Yield (9.1 %); every figure here is of the other 10.', $said['missing of all']);
        self::assertStringStartsWith('1 hive lies beyond the fences, far: B-05 (90).', $said['outliers of all']);
        self::assertSame('South has the highest mean (24.0 kg), North the lowest (3.0): 21.0 kg apart, 0.8 overall SDs.', $said['groups_centre of all']);
        self::assertStringContainsString('Only 5 values', $said['few of South']);
        $weights = array_column($answer->json('readings'), 'weight');
        $sorted = $weights;
        rsort($sorted);
        self::assertSame($sorted, $weights);
    }

    public function test_of_all_variables_the_heaviest(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $answer = $this->getJson("/api/datasets/{$dataset->id}/readings?most=2")->assertOk();
        self::assertCount(2, $answer->json('readings'));
        self::assertSame(['yield', 'Yield'], [$answer->json('readings.0.variable'), $answer->json('readings.0.name')]);
        $this->getJson("/api/datasets/{$dataset->id}/readings?most=0")->assertUnprocessable();
        $this->getJson("/api/datasets/{$dataset->id}/readings?of=nothing")->assertUnprocessable();
    }

    public function test_labels_that_are_classes_say_what_their_open_class_does(): void
    {
        $dataset = $this->dataset("Size,Hives\n0-9,8\n10-19,10\n20 and over,2\n");
        $answer = $this->getJson("/api/datasets/{$dataset->id}/readings?of=size&counts=hives")->assertOk();
        self::assertContains('open_class', array_column($answer->json('readings'), 'key'));
    }

    public function test_a_reading_is_kept_by_its_rule_and_says_when_its_source_is_another(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $said = $this->getJson("/api/datasets/{$dataset->id}/readings?of=yield")->json('readings.0');
        $reading = ['key' => $said['key'], 'column' => null, 'variable' => 'yield', 'said' => $said['sentence'], 'own' => null];
        $kept = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'readings', 'address' => 'of=yield', 'readings' => [$reading]])->assertCreated()->json();
        $shown = fn(): array => $this->getJson("/api/reports/{$kept['report']}/blocks/{$kept['block']}")->assertOk()->json();
        self::assertSame([[$said['sentence']], []], [$shown()['said'], $shown()['lacks']]);

        $write = function (array $reading) use ($kept): void {
            $report = $this->getJson("/api/reports/{$kept['report']}")->json();
            $report['document']['blocks'][0]['readings'] = [$reading];
            $this->putJson("/api/reports/{$kept['report']}", ['version' => $report['version'], 'document' => $report['document']])->assertOk();
        };
        $write([...$reading, 'own' => 'One gave far more.']);
        self::assertSame([['One gave far more.'], []], [$shown()['said'], $shown()['lacks']]);
        self::assertStringContainsString("the rule said: {$said['sentence']}", $shown()['html']);
        $write([...$reading, 'said' => 'Something else.', 'own' => 'One gave far more.']);
        self::assertStringContainsString('is another by now', $shown()['lacks'][0]);
        $write([...$reading, 'key' => 'no_such_rule']);
        self::assertStringContainsString('do not give any more', $shown()['lacks'][0]);
        $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'readings', 'readings' => [['said' => 'x']]])->assertUnprocessable();
        $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'readings', 'readings' => 'x'])->assertUnprocessable();
    }

    public function test_what_a_row_is_has_no_comma(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->patchJson("/api/datasets/{$dataset->id}", ['row_one' => 'hive, or so'])->assertUnprocessable();
    }
}
