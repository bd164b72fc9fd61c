<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Models\Dataset;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Pictures of one variable: what is drawn is what was counted. */
final class PlotsTest extends AppTestCase
{
    private const FILE = "g,x (kg)\na,12\na,15\nb,21\nb,21\nb,34\na,\n";

    public function test_stems_of_all_and_of_groups_share_their_leaf_unit(): void
    {
        $scenes = $this->ask('stems', 'drawScenes', $this->dataset(self::FILE), 'of=x&by=g&look=unit:0')['scenes'];

        self::assertSame(['Overall', 'a', 'b'], array_column($scenes, 'name'));
        self::assertSame([['2', '1', '25'], ['½ 2', '2', '11'], ['1', '3', '4']], array_slice($scenes[0]['scene']['table'], 1));
        self::assertSame(['1', '25'], array_slice($scenes[1]['scene']['table'][1], 1));
    }

    public function test_what_can_be_chosen_comes_with_what_is(): void
    {
        $options = $this->ask('stems', 'drawScenes', $this->dataset(self::FILE), 'of=x&by=g&look=unit:1,back:yes')['options'];

        self::assertSame(['unit' => '1', 'lines' => '1', 'apart' => 'no', 'back' => 'yes', 'turned' => 'no'], array_column($options, 'value', 'name'));
        self::assertSame('Leaf unit', $options[0]['label']);
        self::assertSame([], array_column($this->ask('stack', 'drawScenes', $this->dataset(self::FILE), 'of=x')['options'], 'name'));
    }

    public function test_dots_stand_at_exact_values_by_group(): void
    {
        $scene = $this->ask('dots', 'drawScenes', $this->dataset(self::FILE), 'of=x&by=g')['scenes'][0]['scene'];

        self::assertSame([['12', '1', '1', '0'], ['15', '1', '1', '0'], ['21', '2', '0', '2'], ['34', '1', '0', '1']], array_slice($scene['table'], 1));
        self::assertSame('One dot is one row; ▲ mean, heavy line median.', $scene['caption']);
    }

    public function test_dots_under_counts_that_are_not_whole_say_what_they_stand_for(): void
    {
        $scene = $this->ask('dots', 'drawScenes', $this->dataset("x,n\n1,2.5\n2,1.25\n"), 'of=x&counts=n')['scenes'][0]['scene'];

        self::assertSame([['1', '2.5'], ['2', '1.25']], array_slice($scene['table'], 1));
        self::assertCount(5, array_filter($scene['marks'][0]['marks'], static fn(array $mark): bool => ($mark['role'] ?? '') === 'dot'));
        self::assertSame('One dot is one row; ▲ mean, heavy line median.', $scene['caption']);
    }

    public function test_normal_plot_and_strip_have_a_point_for_each_value(): void
    {
        $dataset = $this->dataset(self::FILE);
        $scenes = fn(string $kind, string $words = 'of=x'): array => $this->ask($kind, 'drawScenes', $dataset, $words)['scenes'];

        self::assertSame(['12', '15', '21', '21', '34'], array_column(array_slice($scenes('qq')[0]['scene']['table'], 1), 1));
        self::assertSame([['12', '0.1'], ['15', '0.3'], ['21', '0.5'], ['21', '0.7'], ['34', '0.9']], array_slice($scenes('strips')[0]['scene']['table'], 1));
        self::assertSame([['Overall', '12', '0.2'], ['Overall', '15', '0.4'], ['Overall', '21', '0.8'], ['Overall', '34', '1']], array_slice($scenes('steps')[0]['scene']['table'], 1));
        self::assertSame([320, 672], [$scenes('qq', 'of=x&width=320')[0]['scene']['width'], $scenes('qq')[0]['scene']['width']]);
        self::assertSame('Overall: needs at least 2 values, and whole counts.', $scenes('qq', 'of=x&where=x > 30')[0]['why']);
        $this->getJson("/api/datasets/{$dataset->id}/plots/nothing?of=x")->assertNotFound();
        $this->getJson("/api/datasets/{$dataset->id}/plots/qq?of=x&width=20")->assertUnprocessable();
    }

    public function test_the_crosshair_reads_the_axis_of_the_stack_and_nothing_without_values(): void
    {
        $dataset = $this->dataset(self::FILE);
        $axis = $this->ask('stack', 'drawScenes', $dataset, 'of=x&by=g')['scenes'][0]['scene']['axes'][0];
        $crosshair = $this->ask('crosshair', 'readCrosshair', $dataset, 'of=x&by=g')['crosshair'];

        self::assertEquals([$axis['from'], $axis['to']], [(float) $crosshair['values'][0], (float) $crosshair['values'][300]]);
        self::assertStringContainsString('0.0 %', $crosshair['says'][0]);
        self::assertStringContainsString('100.0 %', $crosshair['says'][300]);
        self::assertNull($this->ask('crosshair', 'readCrosshair', $this->dataset("x,y\n,1\n"), 'of=y&where=y > 5')['crosshair']);
    }

    public function test_rows_run_as_lines_to_another_variable_under_a_condition(): void
    {
        $dataset = $this->dataset("before,after,g\n1,2,a\n3,1,a\n4,4,b\n5,,b\n");
        $scene = fn(string $words): array => $this->ask('slopes', 'drawScenes', $dataset, "of=before&look=to:after{$words}")['scenes'][0]['scene'];
        self::assertSame(['From before to after: 1 rise, 1 fall, 1 stay; 1 lack one of the two.'], $scene('')['sentences']);
        self::assertSame([['before', 'after'], ['1', '2'], ['3', '1'], ['4', '4']], $scene('')['table']);
        self::assertSame([['4', '4']], array_slice($scene("&where=g = 'b'")['table'], 1));
        $this->getJson("/api/datasets/{$dataset->id}/plots/slopes?of=before&look=to:wax")->assertUnprocessable();
    }

    public function test_a_range_is_counted_with_both_ends(): void
    {
        $range = $this->ask('range', 'countRange', $this->dataset(self::FILE), 'of=x&from=15&to=21');
        self::assertSame(['count' => '3', 'percent' => '60.0', 'mean' => '19.0', 'rows' => '15 <= x <= 21'], $range);

        $inGroup = $this->ask('range', 'countRange', $this->dataset(self::FILE), 'of=x&by=g&column=1&from=20&to=99&where=x > 0');
        self::assertSame(['count' => '0', 'percent' => '0.0', 'mean' => null, 'rows' => '20 <= x <= 99 and (x > 0)'], $inGroup);
    }

    public function test_classes_heights_lines_and_curve_are_as_asked_for(): void
    {
        $scene = $this->ask('stack', 'drawScenes', $this->dataset(self::FILE), 'of=x&classes=' . urlencode('10,20,25') . '&scale=percent&marks=mean,sd1&curve=yes')['scenes'][0]['scene'];
        $classes = array_column($scene['axes'], 'classes')[0];

        self::assertSame(['density', null, 10, 20], [$classes['heights'], $classes['width'], $classes['start'], $classes['second']]);
        self::assertStringContainsString('1 row lies outside the classes (0 below, 1 above).', implode(' ', array_column($scene['notes'], 'words')));
        self::assertSame([['classes' => '']], array_values(array_filter(array_column($scene['notes'], 'ask'))));
        $bars = $this->marks($scene['marks'], 'bar');
        self::assertEqualsWithDelta((2 / 5 / 10) / (2 / 5 / 5), $bars[0]['height'] / $bars[1]['height'], 0.001);
        self::assertSame(['x̄ − s', 'mean', 'x̄ + s'], array_column($this->marks($scene['marks'], 'level'), 'id'));
        self::assertCount(1, $this->marks($scene['marks'], 'curve'));
    }

    public function test_the_frequency_table_has_the_classes_of_the_picture(): void
    {
        $rows = "x\n";
        for ($i = 0; $i < 90; ++$i) {
            $rows .= ($i * $i % 97) + $i / 100 . "\n";
        }
        $dataset = $this->dataset($rows);
        $words = 'of=x&classes=' . urlencode('0:20');
        $sheet = $this->profile($dataset, $words)['sheets'][0];
        $bars = $this->marks($this->ask('stack', 'drawScenes', $dataset, $words)['scenes'][0]['scene']['marks'], 'bar');

        self::assertSame([0, 20, 40, 60, 80, 100], $sheet['class_edges']);
        self::assertSame(array_column($bars, 'says'), array_map(static fn(array $row): string => "{$row['label']}: {$row['counts'][0]} rows", $sheet['frequencies']['rows']));
    }

    /** @return iterable<string, array{string, string}> */
    public static function badWords(): iterable
    {
        yield 'classes that turn back' => ['profile?of=x&classes=0,5,5', 'Edges of classes ascend, but 5 comes behind 5.'];
        yield 'an unknown height' => ['profile?of=x&scale=log', 'What the height of a bar stands for: one of count, percent, density, cumulative.'];
        yield 'a category' => ['plots/dots?of=g', '"g" has no figures: it is no number.'];
        yield 'two variables' => ['plots/stems?of=x,g', 'Say which one variable this is about.'];
        yield 'a range that turns back' => ['plots/range?of=x&from=5&to=1', 'A range runs from its smaller end to its larger one.'];
        yield 'three lines a stem' => ['plots/stems?of=x&look=lines:3', 'There is no "lines:3"'];
    }

    #[DataProvider('badWords')]
    public function test_words_that_make_no_sense_are_answered_with_what_would(string $address, string $sentence): void
    {
        $dataset = $this->dataset(self::FILE);

        self::assertStringStartsWith($sentence, $this->getJson("/api/datasets/{$dataset->id}/{$address}")->assertStatus(422)->json('message'));
    }

    /** @return array<string, mixed> */
    private function ask(string $plot, string $operation, Dataset $dataset, string $words): array
    {
        $answer = $this->getJson("/api/datasets/{$dataset->id}/plots/{$plot}?{$words}")->assertOk();
        Contract::assertMeets($operation, $answer);

        return $answer->json();
    }

    /**
     * @param list<array<string, mixed>> $marks
     *
     * @return list<array<string, mixed>>
     */
    private function marks(array $marks, string $role): array
    {
        $found = [];
        foreach ($marks as $mark) {
            $found = [...$found, ...(($mark['role'] ?? null) === $role ? [$mark] : []), ...$this->marks($mark['marks'] ?? [], $role)];
        }

        return $found;
    }
}
