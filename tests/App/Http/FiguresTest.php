<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Models\Dataset;
use Illuminate\Support\Facades\DB;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Everything that is asked of figures beyond one sheet: overview, basis, working, match, standing, and the sets of an account. */
final class FiguresTest extends AppTestCase
{
    private const JARS = "Kind,Shelf,Size (kg),Jars,Packed\nheather,a,1,2,2026-03-01\nheather,b,2,3,2026-03-04\nlime,a,4,0.5,\nlime,,8,-1,2026-02-28\nlime,b,,1,2026-03-02\n";

    public function test_the_overview_has_a_line_for_every_variable_whatever_its_type(): void
    {
        $overview = $this->ask('overview', 'showOverview', $this->dataset(self::JARS), 'figures=n,mean');
        $lines = array_column($overview['lines'], null, 'variable');

        self::assertSame(['n', 'mean'], array_column($overview['figures'], 'key'));
        self::assertSame([4, 3.75], [$lines['size']['values'][0][0]['value'], $lines['size']['values'][1][0]['value']]);
        self::assertSame(['n' => 5, 'distinct' => 2, 'commonest' => ['label' => 'lime', 'count' => 3, 'percent' => '60.0']], $lines['kind']['labels']);
        self::assertSame(['first' => '2026-02-28', 'last' => '2026-03-04', 'span' => '4 days'], $lines['packed']['dates']);
    }

    public function test_groups_of_an_overview_are_columns_of_each_line(): void
    {
        $overview = $this->ask('overview', 'showOverview', $this->dataset(self::JARS), 'figures=sum&by=kind');

        self::assertSame([['heather'], ['lime']], array_column($overview['groups'], 'labels'));
        self::assertSame([15, 3, 12], array_column(array_column($overview['lines'], null, 'variable')['size']['values'][0], 'value'));
    }

    public function test_counts_that_are_not_whole_weigh_and_bad_ones_are_told_with_their_rows(): void
    {
        // By hand: 2 × 1, 3 × 2, 0.5 × 4 are 5.5 values that add up to 10; the missing size counts once.
        $dataset = $this->dataset(self::JARS);
        $profile = $this->profile($dataset, 'of=size&counts=jars');
        $figures = $this->figures($profile);

        self::assertSame(['Jars', ['total' => 1, 'first' => [4]]], [$profile['basis']['counts'], $profile['left_out']]);
        self::assertSame([5.5, 1.0, 10.0, 10 / 5.5, 2.0], [$figures['n'][0], (float) $figures['missing'][0], (float) $figures['sum'][0], $figures['mean'][0], (float) $figures['median'][0]]);
        self::assertStringContainsString(': 0.5 rows', (string) json_encode($this->getJson("/api/datasets/{$dataset->id}/plots/stack?of=size&counts=jars")->assertOk()->json('scenes')));
        self::assertSame('5.5', $profile['sheets'][0]['figures'][0]['values'][0]['text']);
    }

    public function test_a_condition_leaves_rows_out_of_everything(): void
    {
        $dataset = $this->dataset(self::JARS);
        $profile = $this->profile($dataset, 'of=size,kind&by=kind&where=' . urlencode('Size > 1'));

        self::assertSame(3, $profile['rows']);
        self::assertSame([[3, 1, 2], [14, 2, 12]], [$this->figures($profile)['n'], $this->figures($profile)['sum']]);
        self::assertSame([1, 2], array_map(static fn(array $row): int => $row['counts'][0], $profile['sheets'][1]['frequencies']['rows']));
    }

    public function test_complete_rows_have_every_ticked_variable_and_the_split(): void
    {
        $dataset = $this->dataset(self::JARS);

        self::assertSame([4], $this->figures($this->profile($dataset, 'of=size&missing=complete-rows'))['n']);
        self::assertSame([3], $this->figures($this->profile($dataset, 'of=size,packed&missing=complete-rows'))['n']);
        self::assertSame([3, 2, 1], $this->figures($this->profile($dataset, 'of=size&by=shelf&missing=complete-rows'))['n']);
    }

    public function test_groups_within_groups_come_in_order_and_those_without_entry_can_be_hidden(): void
    {
        $dataset = $this->dataset(self::JARS);
        $profile = $this->profile($dataset, 'of=size&by=kind,shelf');
        self::assertSame([['heather', 'a'], ['heather', 'b'], ['lime', 'a'], ['lime', 'b'], ['lime', null]], array_column($profile['groups'], 'labels'));
        self::assertSame([4, 1, 1, 1, 0, 1], $this->figures($profile)['n']);

        $shown = $this->profile($dataset, 'of=size&by=kind,shelf&no_entry=hide');
        self::assertSame([['heather', 'a'], ['heather', 'b'], ['lime', 'a'], ['lime', 'b']], array_column($shown['groups'], 'labels'));
        self::assertSame([4, 1, 1, 1, 0], $this->figures($shown)['n']);
    }

    public function test_a_number_splits_by_its_classes(): void
    {
        $rows = "x,age\n";
        for ($i = 0; $i < 300; ++$i) {
            $rows .= $i % 7 . ',' . ($i / 10) . "\n";
        }
        $profile = $this->profile($this->dataset($rows), 'of=x&by=age');
        $labels = array_merge(...array_column($profile['groups'], 'labels'));

        self::assertSame(['0 to under 5', '5 to under 10', '25 to 30'], [$labels[0], $labels[1], $labels[5]]);
        self::assertSame([300, 50, 50, 50, 50, 50, 50], $this->figures($profile)['n']);
    }

    public function test_slices_are_counted_once_and_anew_after_a_change(): void
    {
        $dataset = $this->dataset(self::JARS);
        $words = 'of=size&by=kind,shelf&where=' . urlencode('Size < 8') . '&counts=jars';
        $before = $this->profile($dataset, $words);
        $chunks = DB::table('column_chunks')->get()->map(static fn(object $row): array => (array) $row)->all();
        DB::table('column_chunks')->delete();
        self::assertSame($before, $this->profile($dataset, $words), 'another time no row is read');
        DB::table('column_chunks')->insert($chunks);

        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['variable' => 'jars', 'row' => 1, 'text' => '10']]])->assertSuccessful();
        self::assertSame(13.5, $this->figures($this->profile($dataset->refresh(), $words))['n'][0]);
    }

    public function test_chosen_figures_are_remembered_and_percentiles_stand_behind_them(): void
    {
        $dataset = $this->dataset(self::JARS);
        $this->putJson('/api/figures/chosen', ['figures' => ['skewness', 'mean']])->assertNoContent();

        self::assertSame(['mean', 'skewness', 'percentile_5', 'percentile_95'], array_keys($this->figures($this->profile($dataset, 'of=size&percentiles=95,5'))));
        self::assertSame(['n', 'missing', 'min', 'q1', 'median', 'q3', 'max'], array_keys($this->figures($this->profile($dataset, 'of=size&figures=five-number'))));
    }

    public function test_sets_of_ones_own_are_kept_replaced_and_deleted_and_belong_to_one_account(): void
    {
        $kept = $this->postJson('/api/figures/sets', ['name' => 'For the board', 'figures' => ['median', 'iqr']])->assertCreated();
        Contract::assertMeets('keepFigureSet', $kept);
        $this->postJson('/api/figures/sets', ['name' => 'For the board', 'figures' => ['iqr', 'mean']])->assertCreated();
        $choices = $this->getJson('/api/figures')->assertOk();
        Contract::assertMeets('listFigures', $choices);
        self::assertSame([['id' => $kept->json('id'), 'name' => 'For the board', 'figures' => ['mean', 'iqr']]], $choices->json('own'));

        $this->postJson('/api/figures/sets', ['name' => 'Odd', 'figures' => ['avg']])->assertStatus(422);
        $me = auth()->user();
        $this->actingAs($this->account('somebody-else'));
        $this->deleteJson("/api/figures/sets/{$kept->json('id')}")->assertNotFound();
        $this->actingAs($me);
        $this->deleteJson("/api/figures/sets/{$kept->json('id')}")->assertNoContent();
        self::assertSame([], $this->getJson('/api/figures')->json('own'));
    }

    public function test_a_working_says_how_a_figure_came_about_and_what_it_is_under_other_conventions(): void
    {
        $dataset = $this->dataset("x\n1\n2\n6\n9\n");
        $working = $this->ask('working', 'showWorking', $dataset, 'of=x&figure=q1&quartiles=hf7');

        self::assertSame(['x(1) = 1, x(2) = 2', 'Q₁ = 1 + 0.75·(2 − 1) = 1.75'], array_slice($working['lines'], 1));
        self::assertSame(['Quartiles by'], array_column($working['others'], 'convention'));
        $same = array_values(array_filter($working['others'][0]['answers'], static fn(array $answer): bool => $answer['same']));
        self::assertSame([['hf7', '1.8']], array_map(static fn(array $answer): array => [$answer['word'], $answer['text']], $same));
        self::assertSame([['Q₁', 1.75], ['x̃', 2.5], ['Q₃', 3.25]], array_map(static fn(array $cut): array => [$cut['name'], (float) $cut['rank']], $working['order']['cuts']));
        self::assertStringContainsString('halves, middle left out: 1.5', $working['plain']);
    }

    public function test_a_working_of_an_undefined_figure_says_why(): void
    {
        $working = $this->ask('working', 'showWorking', $this->dataset("x\n5\n"), 'of=x&figure=sd');

        self::assertSame(['needs at least 2 values', null, []], [$working['figure']['reason'], $working['definition'], $working['lines']]);
    }

    public function test_a_stated_figure_is_found_with_the_convention_behind_it(): void
    {
        // Of 2, 4, 4, 5, 10: the population variance is 7.2; with the 10 left out the mean is 3.75.
        $dataset = $this->dataset("x\n2\n4\n4\n5\n10\n\n");
        $population = $this->ask('matches', 'findMatches', $dataset, 'of=x&stated=7.2');
        self::assertSame(['variance', ['taken as a population']], [$population['matches'][0]['figure'], $population['matches'][0]['differences']]);

        $leftOut = $this->ask('matches', 'findMatches', $dataset, 'of=x&stated=3.75');
        self::assertContains(['mean', ['one row left out, with 10']], array_map(static fn(array $match): array => [$match['figure'], $match['differences']], $leftOut['matches']));

        $nothing = $this->ask('matches', 'findMatches', $dataset, 'of=x&stated=1234.5');
        self::assertSame([[], 5], [$nothing['matches'], count($nothing['nearest'])]);
    }

    public function test_forgotten_counts_are_found(): void
    {
        $dataset = $this->dataset("Size,Jars\n1,2\n2,3\n4,5\n");

        $match = $this->ask('matches', 'findMatches', $dataset, 'of=size&stated=2.8')['matches'][0];
        self::assertSame(['mean', ['Jars used as counts']], [$match['figure'], $match['differences']]);
        $forgotten = $this->ask('matches', 'findMatches', $dataset, 'of=size&counts=jars&stated=2.33');
        self::assertContains(['mean', ['counts forgotten']], array_map(static fn(array $found): array => [$found['figure'], $found['differences']], $forgotten['matches']));
    }

    public function test_where_a_value_stands(): void
    {
        $standing = $this->ask('standing', 'showStanding', $this->dataset("x (kg)\n1\n2\n2\n4\n5\n"), 'of=x&value=4');

        self::assertSame('4 kg is at the 70th percentile, z = 0.73.', $standing['sentence']);
        self::assertSame('3 below, 1 equal, 1 above', $standing['counts']);
    }

    public function test_a_figure_is_compared_with_a_stated_one(): void
    {
        $comparison = $this->ask('comparison', 'compareStated', $this->dataset("x (kg)\n5\n6.2\n8\n"), 'of=x&figure=mean&stated=8.0&tolerance=' . urlencode('15%'));

        self::assertSame(['sentence' => '6.40 kg lies below 6.8–9.2: it is 20.0 % less than the stated 8.0, and 15 % was allowed.', 'is_within' => false], $comparison);
        $undefined = $this->ask('comparison', 'compareStated', $this->dataset("x\n5\n"), 'of=x&figure=sd&stated=1');
        self::assertSame([null, 'Standard deviation: needs at least 2 values'], [$undefined['is_within'], $undefined['sentence']]);
    }

    public function test_two_way_counts_have_percents_of_column_row_and_total(): void
    {
        $rows = $this->profile($this->dataset(self::JARS), 'of=kind&by=shelf')['sheets'][0]['frequencies'];

        self::assertSame([[2, 1, 1, 0], [3, 1, 1, 1]], array_column($rows['rows'], 'counts'));
        self::assertSame(['60.0', '50.0', '50.0', '100.0'], $rows['rows'][1]['percent']);
        self::assertSame(['100.0', '33.3', '33.3', '33.3'], $rows['rows'][1]['percent_of_row']);
        self::assertSame(['60.0', '20.0', '20.0', '20.0'], $rows['rows'][1]['percent_of_total']);
        self::assertSame([['40.0', '50.0', '50.0', '0.0'], ['100.0', '100.0', '100.0', '100.0']], array_column($rows['rows'], 'cumulative'));
    }

    public function test_many_values_are_tabled_by_classes_and_one_by_one_on_request(): void
    {
        $rows = "x\n";
        for ($i = 0; $i < 100; ++$i) {
            $rows .= (string) ($i * $i) . "\n";
        }
        $dataset = $this->dataset($rows);
        $sheet = $this->profile($dataset, 'of=x')['sheets'][0];
        $classes = $sheet['frequencies'];
        self::assertSame(['classes', 100], [$classes['kind'], $classes['totals'][0]]);
        $mean = $sheet['class_costs'][0];
        self::assertSame('mean', $mean['key']);
        self::assertEqualsWithDelta(3283.5, (float) $mean['from_classes'] - (float) $mean['difference'], 0.11);

        $sheet = $this->profile($dataset, 'of=x&distinct=yes')['sheets'][0];
        self::assertNull($sheet['class_costs']);
        $values = $sheet['frequencies'];
        self::assertSame(['values', 100, '9801'], [$values['kind'], count($values['rows']), $values['rows'][99]['label']]);
    }

    public function test_another_account_sees_none_of_it(): void
    {
        $dataset = $this->dataset(self::JARS);
        $this->actingAs($this->account('somebody-else'));
        foreach (['overview', 'working?of=size&figure=sd', 'matches?of=size&stated=1', 'standing?of=size&value=1'] as $address) {
            $this->getJson("/api/datasets/{$dataset->id}/{$address}")->assertNotFound();
        }
    }

    /** @return array<string, mixed> */
    private function ask(string $place, string $operation, Dataset $dataset, string $words): array
    {
        $answer = $this->getJson("/api/datasets/{$dataset->id}/{$place}?{$words}")->assertOk();
        Contract::assertMeets($operation, $answer);

        return $answer->json();
    }
}
