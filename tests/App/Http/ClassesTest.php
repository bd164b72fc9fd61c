<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Models\Dataset;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Classes with counts as they come in from a file. */
final class ClassesTest extends AppTestCase
{
    private const FILE = "Combs,Hives,Apiary\n10-14,2.5,a\n15-19,7.5,a\n15-19,1,b\n20 and over,2,b\n";

    public function test_figures_come_from_midpoints_under_the_counts_of_the_basis(): void
    {
        // By hand: 12 × 2.5 + 17 × 8.5 + 22 × 2 = 218.5 over 13; the median is 14.5 + (6.5 − 2.5)/8.5 × 5.
        $classes = $this->ask($this->dataset(self::FILE), 'of=combs&counts=hives');
        $figures = array_column($classes['figures'], null, 'key');

        self::assertSame(['rounded', '1', 13.0, 218.5 / 13], [$classes['limits'], $classes['unit'], (float) $figures['n']['values'][0]['value'], $figures['mean']['values'][0]['value']]);
        self::assertEqualsWithDelta(14.5 + 4 / 8.5 * 5, $figures['median']['values'][0]['value'], 1e-14);
        self::assertSame([['9.5 to 14.5', '12', false], ['14.5 to 19.5', '17', false], ['19.5 to 24.5', '22', true]], array_map(static fn(array $row): array => [$row['boundaries'], $row['midpoint'], $row['is_open']], $classes['rows']));
        self::assertSame(['15-19'], $classes['modal_classes']);
        self::assertSame([['3.85'], ['13.08'], ['3.08']], array_column($classes['rows'], 'density_texts'));
    }

    public function test_a_stated_figure_is_compared_with_that_of_the_classes(): void
    {
        $dataset = $this->dataset(self::FILE);
        $compare = function (string $words) use ($dataset): array {
            $answer = $this->getJson("/api/datasets/{$dataset->id}/comparison?of=combs&counts=hives&{$words}");
            Contract::assertMeets('compareStated', $answer);

            return [$answer->status(), $answer->json('is_within')];
        };

        // 218.5 over 13 is 16.81.
        self::assertSame([200, true], $compare('figure=mean&stated=16.8&tolerance=0.1'));
        self::assertSame([200, false], $compare('figure=mean&stated=17.5&tolerance=' . urlencode('1%')));
        // Group b alone: 17 × 1 + 22 × 2 over 3 is 20.33.
        self::assertSame([200, true], $compare('figure=mean&stated=20.3&tolerance=0.1&by=apiary&column=2'));
        self::assertSame([422, null], $compare('figure=kurtosis&stated=1'));
        self::assertSame([422, null], $compare('figure=mean&stated=16.8&column=7'));
    }

    public function test_groups_have_counts_and_figures_of_their_own(): void
    {
        $classes = $this->ask($this->dataset(self::FILE), 'of=combs&counts=hives&by=apiary');

        self::assertEquals([[2.5, 2.5, 0], [8.5, 7.5, 1], [2, 0, 2]], array_column($classes['rows'], 'counts'));
        self::assertEquals([13, 10, 3], array_column($classes['figures'][0]['values'], 'value'));
    }

    public function test_whole_counts_give_what_as_many_rows_give(): void
    {
        $counted = $this->ask($this->dataset("Combs,Hives\n10-14,2\n15-19,3\n20-29,1\n"), 'of=combs&counts=hives');
        $rows = $this->ask($this->dataset("Combs\n10-14\n15-19\n15-19\n10-14\n20-29\n15-19\n"), 'of=combs');

        self::assertSame($rows['figures'], $counted['figures']);
        self::assertSame($rows['rows'], $counted['rows']);
    }

    public function test_a_column_of_counts_for_each_group_gives_a_column_for_each(): void
    {
        $dataset = $this->dataset("Combs,North,South\n10-14,2.5,1\n15-19,7.5,0\n");
        $classes = $this->ask($dataset, 'of=combs&count_columns=north,south');

        self::assertSame(['Overall', 'North', 'South'], $classes['names']);
        self::assertEquals([[3.5, 2.5, 1], [7.5, 7.5, 0]], array_column($classes['rows'], 'counts'));
        // By hand: (12 × 3.5 + 17 × 7.5) / 11, (12 × 2.5 + 17 × 7.5) / 10 and 12.
        self::assertEqualsWithDelta([169.5 / 11, 15.75, 12.0], array_column(array_column($classes['figures'], null, 'key')['mean']['values'], 'value'), 1e-12);
    }

    public function test_a_split_and_columns_of_counts_do_not_go_together(): void
    {
        $dataset = $this->dataset("Combs,North,South,Apiary\n10-14,2,1,a\n15-19,7,0,b\n");

        $this->getJson("/api/datasets/{$dataset->id}/classes?of=combs&count_columns=north,south&by=apiary")
            ->assertUnprocessable()->assertJsonPath('message', 'Counts come from a column for each group or the rows are split, not both. Take one of the two back.');
    }

    public function test_what_is_changed_by_hand_holds_and_is_said(): void
    {
        // By hand: the open class from 19.5 is 10 wide, so its midpoint is 24.5: 12 × 2.5 + 17 × 8.5 + 24.5 × 2 is 223.5, over 13.
        $classes = $this->ask($this->dataset(self::FILE), 'of=combs&counts=hives&amend=width2:10');
        self::assertSame(['19.5', '29.5', '10', '24.5'], [$classes['rows'][2]['lower_text'], $classes['rows'][2]['upper_text'], $classes['rows'][2]['width'], $classes['rows'][2]['midpoint']]);
        self::assertSame(223.5 / 13, array_column($classes['figures'], null, 'key')['mean']['values'][0]['value']);
        self::assertSame('“20 and over” 10 wide', $classes['amended']);
        self::assertStringContainsString('Changed by hand: “20 and over” 10 wide.', $classes['words']);

        $this->getJson("/api/datasets/{$this->dataset(self::FILE)->id}/classes?of=combs&counts=hives&amend=width0:10")
            ->assertUnprocessable()->assertJsonPath('message', '"10-14" has both limits, so its width is stated: change a boundary instead.');
    }

    public function test_the_unit_of_the_counts_is_in_the_basis(): void
    {
        $dataset = $this->dataset("Combs,Hives (thousands)\n10-14,2.5\n15-19,7.5\n");
        $basis = $this->getJson("/api/datasets/{$dataset->id}/profile?of=combs&counts=hives")->assertOk()->json('basis');

        self::assertSame('thousands', $basis['counts_unit']);
        self::assertStringContainsString('counts from Hives, in thousands;', $basis['words']);
    }

    public function test_limits_can_be_taken_otherwise(): void
    {
        $classes = $this->ask($this->dataset(self::FILE), 'of=combs&counts=hives&limits=completed');

        self::assertSame(['completed', '10 to 15', '12.5'], [$classes['limits'], $classes['rows'][0]['boundaries'], $classes['rows'][0]['midpoint']]);
    }

    public function test_a_total_row_is_left_out_and_said_so(): void
    {
        $classes = $this->ask($this->dataset("Combs,Hives\n10-14,2\n15-19,5\nall of them,7\n"), 'of=combs&counts=hives');

        self::assertSame(['all of them', 2], [$classes['total_left_out'], count($classes['rows'])]);
    }

    public function test_a_sheet_says_whether_its_labels_read_as_classes(): void
    {
        $sheets = $this->profile($this->dataset(self::FILE), 'of=combs,apiary')['sheets'];

        self::assertSame([true, false], array_column($sheets, 'reads_as_classes'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function mistakes(): iterable
    {
        yield 'overlap' => ["c,f\n10-15,2\n14-19,5\n", 'The classes "10-15" and "14-19" overlap. Correct one of their limits.'];
        yield 'gap' => ["c,f\n10-14,2\n15-19,1\n25-29,5\n", 'Between the classes "15-19" and "25-29" lies a gap. Add the class that is missing, with a count of 0 if nothing is in it.'];
        yield 'all counts zero' => ["c,f\n10-14,0\n15-19,0\n", 'All counts are 0.'];
        yield 'no class' => ["c,f\n10-14,1\n15-19,3\nmany,9\n", '"many" in row 3 reads as no class. Write it like 12-17, 12 to 17, under 6, or 48 and over.'];
    }

    #[DataProvider('mistakes')]
    public function test_mistakes_are_answered_with_place_and_remedy(string $file, string $sentence): void
    {
        $dataset = $this->dataset($file);

        self::assertSame($sentence, $this->getJson("/api/datasets/{$dataset->id}/classes?of=c&counts=f")->assertStatus(422)->json('message'));
    }

    /** @return array<string, mixed> */
    private function ask(Dataset $dataset, string $words): array
    {
        $answer = $this->getJson("/api/datasets/{$dataset->id}/classes?{$words}")->assertOk();
        Contract::assertMeets('showClasses', $answer);

        return $answer->json();
    }
}
