<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Models\Dataset;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Figures that are set into sentences follow the data, and say why where they cannot. */
final class FieldsTest extends AppTestCase
{
    private const HIVES = "Tag,Apiary,Year,Yield (kg)\nA1,North,2019,20\nA2,North,2020,22\nA3,South,2019,30\nA4,South,2020,34\nA5,,2019,\n";

    public function test_a_field_shows_what_the_profile_shows(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->retypeYear($dataset);
        $answer = $this->ask($dataset, [
            ['of=yield', 'mean', ''],
            ['of=yield&by=apiary', 'median', '["South"]'],
            ['of=yield&by=apiary', 'n', '[null]'],
            ['of=yield&by=year', 'mean', '["2019"]'],
            ['of=yield&by=apiary,year', 'max', '["South","2020"]'],
            ['of=yield&as=population&decimals=3', 'sd', ''],
            ['of=yield', 'percentile_50', ''],
            ['of=yield', 'minus_1sd', ''],
            ['where=' . urlencode('Yield > 21'), 'rows', ''],
            ['of=apiary', 'label_count', '["South"]'],
            ['of=apiary', 'label_share', '["South"]'],
        ]);
        // By hand: the mean of 20, 22, 30, 34 is 26.5, σ = √(131/4) and s = √(131/3) = 6.6.
        self::assertSame(['26.5', '32.0', '0', '25.0', '34', '5.723', '26.0', '19.9', '3', '2', '50.0 %'], array_column($answer, 'text'));
        self::assertSame([26.5, 32, 0, 25, 34], array_slice(array_column($answer, 'value'), 0, 5));
        self::assertSame('Median of Yield (kg), South', $answer[1]['name']);
        self::assertSame('Share of South in Apiary', $answer[10]['name']);
    }

    public function test_a_field_that_has_come_to_nothing_says_why(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $answer = $this->ask($dataset, [
            ['of=honey', 'mean', ''],
            ['of=yield', 'average', ''],
            ['of=yield&by=apiary', 'mean', '["West"]'],
            ['of=yield&where=' . urlencode('Yield >'), 'mean', ''],
            ['of=yield&as=guess', 'mean', ''],
            ['of=yield&where=' . urlencode('Yield > 33'), 'sd', ''],
            ['of=apiary', 'mean', ''],
            ['of=apiary', 'label_count', '["West"]'],
            ['of=yield', 'label_share', '["South"]'],
            ['of=yield&by=tag', 'mean', '["A1"]'],
            ['of=yield', 'essentials', ''],
            ['of=yield&by=apiary,year,tag', 'mean', ''],
            ['of=yield&fences=wide', 'mean', ''],
            ['of=yield', 'median', ''],
        ]);
        self::assertNull($answer[0]['text']);
        self::assertStringContainsString('no variable "honey"', $answer[0]['why']);
        self::assertStringContainsString('no figure "average"', $answer[1]['why']);
        self::assertStringContainsString('no group "West"', $answer[2]['why']);
        self::assertNotNull($answer[3]['why']);
        self::assertStringContainsString('sample, population', $answer[4]['why']);
        self::assertSame('needs at least 2 values', $answer[5]['why']);
        self::assertStringContainsString('no number', $answer[6]['why']);
        self::assertStringContainsString('no label "West"', $answer[7]['why']);
        self::assertStringContainsString('no labels', $answer[8]['why']);
        self::assertStringContainsString('makes no groups', $answer[9]['why']);
        self::assertStringContainsString('no figure "essentials"', $answer[10]['why']);
        self::assertStringContainsString('one or two variables', $answer[11]['why']);
        self::assertNotNull($answer[12]['why']);
        self::assertSame('26.0', $answer[13]['text'], 'what is beside them is shown');

        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'delete-variable', 'variable' => 'yield'])->assertCreated();
        self::assertStringContainsString('"Yield" was deleted', $this->ask($dataset, [['of=yield', 'mean', '']])[0]['why']);
    }

    public function test_it_follows_the_data(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'yield', 'text' => '24']]])->assertCreated();
        self::assertSame('27.5', $this->ask($dataset, [['of=yield', 'mean', '']])[0]['text']);
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 2, 'kind' => 'set-aside', 'rows' => [4], 'reason' => 'doubtful'])->assertCreated();
        self::assertSame('25.3', $this->ask($dataset, [['of=yield', 'mean', '']])[0]['text']);
    }

    public function test_what_is_asked_is_bounded_and_nobody_elses(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $url = "/api/datasets/{$dataset->id}/fields";
        $field = ['address' => 'of=yield', 'figure' => 'mean', 'group' => ''];
        $this->postJson($url, ['fields' => array_fill(0, 501, $field)])->assertUnprocessable();
        $this->postJson($url, ['fields' => ['mean']])->assertUnprocessable();
        $this->postJson($url, ['fields' => 'mean'])->assertUnprocessable();
        $this->postJson($url, [])->assertUnprocessable();
        $many = $this->ask($dataset, array_map(static fn(int $i): array => ["of=yield&percentiles={$i}", 'mean', ''], range(1, 61)));
        self::assertSame(['26.5', null], [$many[59]['text'], $many[60]['text']]);
        self::assertStringContainsString('at most 60', $many[60]['why']);
        self::assertSame([], $this->ask($dataset, []));
    }

    /**
     * @param list<array{string, string, string}> $fields
     *
     * @return list<array{name: string, text: string|null, value: mixed, why: string}>
     */
    private function ask(Dataset $dataset, array $fields): array
    {
        $answer = $this->postJson("/api/datasets/{$dataset->id}/fields", ['fields' => array_map(static fn(array $field): array => ['address' => $field[0], 'figure' => $field[1], 'group' => $field[2]], $fields)])->assertOk();
        Contract::assertMeets('showFields', $answer);

        return $answer->json('fields');
    }

    private function retypeYear(Dataset $dataset): void
    {
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'retype-variable', 'variable' => 'year', 'type' => 'category'])->assertCreated();
    }
}
