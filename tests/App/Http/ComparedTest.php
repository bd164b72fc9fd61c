<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Models\Dataset;
use App\Models\User;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Groups, variables, the same rows earlier and later, and two datasets against each other. */
final class ComparedTest extends AppTestCase
{
    private const HIVES = "Tag,Apiary,Before,After,Yield (kg)\nA1,North,9,2,20\nA2,North,8,2,22\nA3,North,7,7,24\nB1,South,,1,30\nB2,South,4,5,34\nB3,South,3,1,50\nC1,,3,1,10\n";

    public function test_groups_stand_in_the_order_in_which_people_compare(): void
    {
        $answer = $this->compared($this->dataset(self::HIVES), ['what' => 'groups', 'of' => 'yield', 'by' => 'apiary']);
        self::assertSame(['North', 'South', 'no entry'], $answer['groups']);
        self::assertSame([['North', '3'], ['South', '3']], array_map(array_values(...), $answer['sides']));
        [$comparison] = $answer['comparisons'];
        self::assertSame(['How many', 'Where they lie', 'How far they spread, coarse to fine', 'All of it', 'At the same place in the order'], array_column($comparison['sections'], 'title'));
        $lines = self::lines($comparison);
        self::assertSame(['22.0', '38.0', '+16.0', '+72.7 %'], self::texts($lines['mean']));
        self::assertSame(['4', '20', '+16', '× 5.00'], self::texts($lines['range']));
        self::assertSame(['A3: 24', 'B3: 50', '+26', null], self::texts($lines['max']), 'who makes the range');
        self::assertEqualsWithDelta(16.0, $comparison['figures']['difference']['mean'], 1e-12);
        self::assertSame('difference', $comparison['readings'][0]['key']);
    }

    public function test_the_other_way_round_and_against_the_first(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $turned = $this->compared($dataset, ['what' => 'groups', 'of' => 'yield', 'by' => 'apiary', 'turned' => 'yes']);
        self::assertSame(['South', 'North'], array_column($turned['sides'], 'name'));
        self::assertSame('−16.0', self::lines($turned['comparisons'][0])['mean']['difference']);
        $all = $this->compared($dataset, ['what' => 'groups', 'of' => 'yield', 'by' => 'apiary', 'groups' => '["South","no entry","North"]']);
        self::assertSame([['South', 'no entry'], ['South', 'North']], array_map(static fn(array $one): array => [$one['first'], $one['second']], $all['comparisons']));
        self::assertSame('needs at least 2 values', self::lines($all['comparisons'][0])['interval']['reason']);
    }

    public function test_variables_and_whether_their_units_agree(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $answer = $this->compared($dataset, ['what' => 'variables', 'of' => 'before,after']);
        self::assertSame([['Before', 'After'], null, []], [array_column($answer['sides'], 'name'), $answer['unit'], $answer['notes']]);
        self::assertStringContainsString('The units differ: Before, Yield (kg).', $this->compared($dataset, ['what' => 'variables', 'of' => 'before,yield'])['notes'][0]);
    }

    public function test_the_same_rows_earlier_and_later(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $answer = $this->compared($dataset, ['what' => 'pairs', 'of' => 'before,after', 'good' => 'fewer']);
        self::assertSame('After less Before', $answer['name']);
        $lines = self::lines($answer['comparisons'][0]);
        self::assertSame(['6', '1', '1', '4', '1'], array_map(static fn(string $key): ?string => $lines[$key]['difference'], ['n', 'left_out', 'rose', 'fell', 'stayed']));
        self::assertSame(['5.7', '3.0', '−2.7', null], self::texts($lines['mean']));
        self::assertStringContainsString('Of 6 rows 4 fell from Before to After', $answer['comparisons'][0]['readings'][0]['sentence']);
        // Under a condition, only those rows.
        self::assertSame('3', self::lines($this->compared($dataset, ['what' => 'pairs', 'of' => 'before,after', 'where' => "Apiary = 'North'"])['comparisons'][0])['n']['difference']);
        self::assertSame('no row has both', self::lines($this->compared($dataset, ['what' => 'pairs', 'of' => 'before,after', 'where' => "Tag = 'B1'"])['comparisons'][0])['median']['reason']);
    }

    public function test_the_same_variable_of_two_datasets_whose_units_differ(): void
    {
        $here = $this->dataset(self::HIVES);
        $there = $this->dataset("Yield (lb)\n44\n66.5\n88\n", 'other.csv');
        $answer = $this->compared($here, ['what' => 'datasets', 'of' => 'yield', 'other' => (string) $there->id]);
        self::assertStringContainsString('The units differ: Yield (kg) here, Yield (lb) in', $answer['notes'][0]);
        $turnedIntoKg = $this->compared($here, ['what' => 'datasets', 'of' => 'yield', 'other' => (string) $there->id, 'factor' => '0.5']);
        self::assertSame([22.0, 33.25, 44.0], [$turnedIntoKg['comparisons'][0]['figures']['median'][1] - 11.25, $turnedIntoKg['comparisons'][0]['figures']['median'][1], $turnedIntoKg['comparisons'][0]['figures']['median'][1] + 10.75]);
        // Not somebody else's.
        $this->actingAs(User::query()->create(['name' => 'B', 'email' => 'b@example.org', 'password' => 'x']));
        $theirs = $this->dataset("Yield\n1\n2\n", 'theirs.csv');
        $this->actingAs(User::query()->whereKey($here->user_id)->firstOrFail());
        $this->getJson("/api/datasets/{$here->id}/compared?what=datasets&of=yield&other={$theirs->id}")->assertUnprocessable();
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function refused(): iterable
    {
        yield 'nothing' => [['of' => 'yield'], 'one of: groups, variables'];
        yield 'no split' => [['what' => 'groups', 'of' => 'yield'], 'Choose a variable to split by.'];
        yield 'one variable' => [['what' => 'variables', 'of' => 'yield'], 'Choose a second.'];
        yield 'half a pair' => [['what' => 'pairs', 'of' => 'yield'], 'Choose a second.'];
        yield 'no number' => [['what' => 'groups', 'of' => 'apiary', 'by' => 'apiary'], 'is no number'];
        yield 'a group that is not there' => [['what' => 'groups', 'of' => 'yield', 'by' => 'apiary', 'groups' => '["North","West"]'], 'There is no group "West" any more.'];
        yield 'groups that are no list' => [['what' => 'groups', 'of' => 'yield', 'by' => 'apiary', 'groups' => 'North'], 'as a list of texts in JSON'];
        yield 'no other dataset' => [['what' => 'datasets', 'of' => 'yield'], 'Choose the other dataset.'];
        yield 'no factor' => [['what' => 'datasets', 'of' => 'yield', 'other' => '1', 'factor' => '0'], 'A factor is above 0.'];
        yield 'no direction' => [['what' => 'pairs', 'of' => 'before,after', 'good' => 'up'], 'one of'];
    }

    /** @param array<string, string> $words */
    #[DataProvider('refused')]
    public function test_what_makes_no_comparison_is_refused_in_words(array $words, string $sentence): void
    {
        $dataset = $this->dataset(self::HIVES);
        $answer = $this->getJson("/api/datasets/{$dataset->id}/compared?" . http_build_query($words))->assertUnprocessable();
        Contract::assertMeets('showCompared', $answer);
        self::assertStringContainsString($sentence, $answer->json('message'));
    }

    public function test_every_picture_of_what_is_compared_is_a_scene(): void
    {
        $dataset = $this->dataset(self::HIVES);
        foreach ([
            ['what' => 'groups', 'of' => 'yield', 'by' => 'apiary', 'kinds' => ['against', 'tenths', 'boxes', 'stems']],
            ['what' => 'variables', 'of' => 'before,after', 'kinds' => ['against', 'tenths', 'boxes', 'stems']],
            ['what' => 'pairs', 'of' => 'before,after', 'kinds' => ['stack', 'slopes', 'boxes']],
        ] as $case) {
            foreach ($case['kinds'] as $kind) {
                $answer = $this->getJson("/api/datasets/{$dataset->id}/plots/{$kind}?" . http_build_query(array_diff_key($case, ['kinds' => 0])))->assertOk();
                Contract::assertMeets('drawScenes', $answer);
                self::assertNotNull($answer->json('scenes.0.scene'), "{$case['what']} {$kind}");
            }
        }
        $kept = $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'picture', 'picture' => 'against', 'place' => 'compare', 'address' => 'what=groups&of=yield&by=apiary'])->assertCreated()->json();
        self::assertStringContainsString('<svg', $this->getJson("/api/reports/{$kept['report']}/blocks/{$kept['block']}")->json('html'));
        $this->getJson("/api/datasets/{$dataset->id}/plots/labels?what=groups&of=yield&by=apiary")->assertUnprocessable();
        $this->getJson("/api/datasets/{$dataset->id}/plots/against?of=yield")->assertOk()->assertJsonPath('scenes.0.scene', null);
    }

    /**
     * @param array<string, string> $words
     *
     * @return array<string, mixed>
     */
    private function compared(Dataset $dataset, array $words): array
    {
        $answer = $this->getJson("/api/datasets/{$dataset->id}/compared?" . http_build_query($words))->assertOk();
        Contract::assertMeets('showCompared', $answer);

        return $answer->json();
    }

    /**
     * @param array<string, mixed> $comparison
     *
     * @return array<string, array<string, mixed>>
     */
    private static function lines(array $comparison): array
    {
        return array_column(array_merge(...array_column($comparison['sections'], 'lines')), null, 'key');
    }

    /**
     * @param array<string, mixed> $line
     *
     * @return list<mixed>
     */
    private static function texts(array $line): array
    {
        return [$line['first'], $line['second'], $line['difference'], $line['beside']];
    }
}
