<?php

declare(strict_types=1);

namespace Tests\App\Http;

use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use RowTally\Core\Basis\QuartileRule;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

final class ProfileTest extends AppTestCase
{
    private const HIVES = "Apiary,Honey (kg)\nBrook End,21.05\nDunmere,18.5\nBrook End,21.07\nDunmere,\nBrook End,30\n,12\n";

    public function test_the_figures_of_a_variable_are_exact(): void
    {
        // By hand: 12, 18.5, 21.05, 21.07, 30; sum 102.62, mean 20.524; squares sum 2273.2974, Σ(x − x̄)² = 2273.2974 − 102.62²/5 = 167.12452.
        $figures = $this->figures($this->profile($this->dataset(self::HIVES), 'of=honey'));

        self::assertEquals([
            'n' => [5],
            'missing' => [1],
            'mean' => [20.524],
            'sd' => [6.463832454511797],
            'variance' => [41.78113],
            'min' => [12],
            'q1' => [15.25],
            'median' => [21.05],
            'q3' => [25.535],
            'max' => [30],
            'range' => [18],
            'iqr' => [10.285],
            'sum' => [102.62],
        ], $figures);
        self::assertSame(20.524, $figures['mean'][0]);
    }

    public function test_a_median_between_two_values_has_no_stray_digits(): void
    {
        $profile = $this->profile($this->dataset("x\n21.05\n21.07\n"), 'of=x');

        self::assertSame(21.06, $this->figures($profile)['median'][0]);
        self::assertSame('21.060', $profile['sheets'][0]['figures'][7]['values'][0]['text']);
    }

    public function test_groups_stand_beside_the_overall_figures_with_unlabelled_rows_last(): void
    {
        $profile = $this->profile($this->dataset(self::HIVES), 'of=honey&by=apiary');
        $figures = $this->figures($profile);

        self::assertSame(['Brook End', 'Dunmere', null], array_merge(...array_column($profile['groups'], 'labels')));
        self::assertSame([5, 3, 1, 1], $figures['n']);
        self::assertSame([1, 0, 1, 0], $figures['missing']);
        self::assertEquals([20.524, 24.04, 18.5, 12], $figures['mean']);
    }

    public function test_a_group_of_one_row_says_what_its_spread_needs(): void
    {
        $figures = $this->figures($this->profile($this->dataset(self::HIVES), 'of=honey&by=apiary'));

        self::assertSame(['needs at least 2 values', 'needs at least 2 values'], [$figures['sd'][2], $figures['variance'][3]]);
        self::assertEquals([18.5, 0], [$figures['median'][2], $figures['range'][2]]);
    }

    public function test_a_group_without_any_value_has_a_lane_without_a_box(): void
    {
        $dataset = $this->dataset("g,x\na,1\nb,\na,2\n");
        $profile = $this->profile($dataset, 'of=x&by=g');

        self::assertSame(['needs at least 1 value', 0], [$this->figures($profile)['mean'][2], $this->figures($profile)['n'][2]]);
        $lanes = array_values(array_filter($this->getJson("/api/datasets/{$dataset->id}/plots/stack?of=x&by=g")->assertOk()->json('scenes.0.scene.marks'), static fn(array $mark): bool => ($mark['role'] ?? '') === 'lane'));
        self::assertSame([['Overall', true], ['a', true], ['b', false]], array_map(static fn(array $lane): array => [$lane['id'], str_contains((string) json_encode($lane), '"role":"box"')], $lanes));
    }

    public function test_a_number_variable_without_any_value_has_reasons_and_no_plot(): void
    {
        $profile = $this->profile($this->dataset("x,y\n,1\n,2\n"), 'of=x');

        self::assertSame([0, 2, 'needs at least 1 value'], [$this->figures($profile)['n'][0], $this->figures($profile)['missing'][0], $this->figures($profile)['q1'][0]]);
        self::assertNull($profile['sheets'][0]['class_edges']);
    }

    public function test_the_basis_changes_numbers_symbols_and_plot_together(): void
    {
        $dataset = $this->dataset(self::HIVES);
        $profile = $this->profile($dataset, 'of=honey&as=population&quartiles=hf7');

        self::assertSame(['population', 'hf7'], [$profile['basis']['as'], $profile['basis']['quartiles']]);
        self::assertSame(167.12452 / 5, $this->figures($profile)['variance'][0]);
        self::assertSame(['N', '', 'µ', 'σ', 'σ²'], array_column(array_slice($profile['sheets'][0]['figures'], 0, 5), 'symbol'));
        self::assertEquals([18.5, 21.07], [$this->figures($profile)['q1'][0], $this->figures($profile)['q3'][0]]);
        $boxes = $this->getJson("/api/datasets/{$dataset->id}/plots/boxes?of=honey&as=population&quartiles=hf7")->assertOk()->json('scenes.0.scene.table');
        self::assertSame(['18.5', '21.07'], [$boxes[1][array_search('Q₁', $boxes[0], true)], $boxes[1][array_search('Q₃', $boxes[0], true)]]);
    }

    /** @return iterable<string, array{string, float, float}> */
    public static function rules(): iterable
    {
        // Of 1, 2, 4, 8, 16, 32, worked out by hand from the definitions.
        $quartiles = [
            'halves-excluded' => [2, 16], 'halves-included' => [2, 16], 'hf1' => [2, 16], 'hf2' => [2, 16], 'hf3' => [2, 8],
            'hf4' => [1.5, 12], 'hf5' => [2, 16], 'hf6' => [1.75, 20], 'hf7' => [2.5, 14], 'hf8' => [23 / 12, 52 / 3], 'hf9' => [1.9375, 17],
        ];
        foreach ($quartiles as $rule => [$q1, $q3]) {
            yield $rule => [$rule, $q1, $q3];
        }
    }

    #[DataProvider('rules')]
    public function test_all_eleven_quartile_rules_can_be_asked_for(string $rule, float $q1, float $q3): void
    {
        $figures = $this->figures($this->profile($this->dataset("x\n1\n2\n4\n8\n16\n32\n"), "of=x&quartiles={$rule}"));

        self::assertSame([$q1, $q3], [(float) $figures['q1'][0], (float) $figures['q3'][0]]);
    }

    public function test_the_conventions_on_offer_are_all_there_with_a_sentence_each(): void
    {
        $answer = $this->getJson('/api/conventions')->assertOk();
        Contract::assertMeets('listConventions', $answer);

        $words = array_column($answer->json('words'), null, 'name');
        self::assertSame(array_column(QuartileRule::cases(), 'value'), array_column($words['quartiles']['choices'], 'value'));
        self::assertNotContains('', array_column($words['quartiles']['choices'], 'sentence'));
        self::assertSame(['halves-excluded', 'sample', '1.5', '0.95', 'data+1'], array_map(static fn(string $name): string => $words[$name]['default'], ['quartiles', 'as', 'fences', 'level', 'decimals']));
        self::assertSame(['stack', 'boxes'], array_slice(array_column($answer->json('pictures'), 'kind'), 0, 2));
    }

    public function test_several_variables_come_in_the_order_asked_for_whatever_their_type(): void
    {
        $profile = $this->profile($this->dataset("tag,x,g,y\nA1,1,a,2\nA2,2,b,3\nA3,3,a,4\n"), 'of=y,g,tag,x');

        self::assertSame(['y', 'g', 'tag', 'x'], array_column($profile['sheets'], 'variable'));
        $rows = $profile['sheets'][1]['frequencies']['rows'];
        self::assertSame([['a', [2], ['66.7']], ['b', [1], ['33.3']]], array_map(static fn(array $row): array => [$row['label'], $row['counts'], $row['percent']], $rows));
        self::assertSame(['id', []], [$profile['sheets'][2]['type'], $profile['sheets'][2]['figures']]);
    }

    public function test_no_variable_asked_for_is_an_empty_profile(): void
    {
        self::assertSame([], $this->profile($this->dataset("x\n1\n"), 'of=')['sheets']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function badWords(): iterable
    {
        yield 'unknown variable' => ['of=weight', 'This dataset has no variable "weight". Choose one from the list of variables.'];
        yield 'unknown split' => ['of=x&by=nothing', 'This dataset has no variable "nothing". Choose one from the list of variables.'];
        yield 'more variables than a screen holds' => ['of=' . implode(',', range(1, 61)), 'At most 60 variables can be shown at once. Untick some.'];
        yield 'three splits' => ['of=x&by=x,g,h', 'Rows can be split by one or two variables.'];
        yield 'counts from a category' => ['of=x&counts=g', '"g" cannot say how often a row counts. Choose a number.'];
        yield 'a condition with a mistake' => ['of=x&where=y', 'There is no variable “y”.'];
        yield 'a percentile that may be a fraction' => ['of=x&percentiles=0.15', '0.15 can mean two things: write 15 for the 15th percentile, or 0.15% for 0.15 percent.'];
        yield 'no such figure' => ['of=x&figures=avg', 'There is no figure "avg".'];
        yield 'decimals out of reach' => ['of=x&decimals=data%2B99', 'Decimals are data+0 to data+10 (more than the data carry), 0 to 10, or s1 to s10 (significant digits), not "data+99".'];
        yield 'unknown reading of the rows' => ['of=x&as=census', 'Whether the rows are a sample or all there is: one of sample, population.'];
        yield 'unknown quartile rule' => ['of=x&quartiles=hf10', 'How quartiles are cut: one of halves-excluded, halves-included, hf1, hf2, hf3, hf4, hf5, hf6, hf7, hf8, hf9.'];
    }

    #[DataProvider('badWords')]
    public function test_words_that_make_no_sense_are_answered_with_what_would(string $words, string $sentence): void
    {
        $dataset = $this->dataset("x,g\n1,a\n2,b\n");
        $answer = $this->getJson("/api/datasets/{$dataset->id}/profile?{$words}")->assertStatus(422);

        Contract::assertMeets('showProfile', $answer);
        self::assertSame($sentence, $answer->json('message'));
    }

    public function test_emptied_tallies_fill_themselves_with_the_same_answer(): void
    {
        $dataset = $this->dataset($this->manyRows());
        $words = 'of=x,y,z&by=g';
        $before = $this->profile($dataset, $words);
        self::assertGreaterThan(3, DB::table('tallies')->count());
        DB::table('tallies')->truncate();

        self::assertSame($before, $this->profile($dataset, $words));
        self::assertSame(6, DB::table('tallies')->count());
    }

    public function test_the_same_question_twice_reads_no_row_again(): void
    {
        $dataset = $this->dataset($this->manyRows());
        $this->profile($dataset, 'of=x&by=g');
        DB::table('column_chunks')->delete();

        self::assertSame(20_000, $this->figures($this->profile($dataset, 'of=x&by=g&quartiles=hf7'))['n'][0]);
    }

    private function manyRows(): string
    {
        $rows = "g,x,y,z\n";
        for ($i = 0; $i < 20_000; ++$i) {
            $rows .= 'abc'[$i % 3] . ',' . $i % 50 . ',' . ($i * 7919 % 9001) / 10 . ',' . $i % 977 . ".25e200\n";
        }

        return $rows;
    }
}
