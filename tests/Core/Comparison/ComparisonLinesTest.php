<?php

declare(strict_types=1);

namespace Tests\Core\Comparison;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Comparison\ComparedPairs;
use RowTally\Core\Comparison\ComparisonFigures;
use RowTally\Core\Comparison\ComparisonLine;
use RowTally\Core\Comparison\ComparisonLines;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Profile\PairedColumns;
use Tests\Core\Support\ListedTable;
use Tests\Core\Support\Numbers;

/** A comparison as it is shown, and under the keys under which the API gives it. */
final class ComparisonLinesTest extends TestCase
{
    private const NONE = 'needs at least 1 value';

    /** 1, 2, 3, 4 against twice as much, by hand: SDs √(5/3) and 2√(5/3); 13 of 16 pairs above, halves counted. */
    public function test_twice_as_much_is_said_so_in_every_line(): void
    {
        $lines = self::ofGroups(['1', '2', '3', '4'], ['2', '4', '6', '8'], 0);

        self::assertSame(['4', '4', null, null], self::texts($lines['n']));
        self::assertSame(['2.5', '5.0', '+2.5', '+100.0 %'], self::texts($lines['mean']));
        self::assertSame(['2.5', '5.0', '+2.5', '+100.0 %'], self::texts($lines['median']));
        self::assertSame([null, null, '−1.4 to 6.4', null], self::texts($lines['interval']));
        self::assertSame(['3', '6', '+3', '× 2.00'], self::texts($lines['range']), 'of the data, no more decimals than they');
        self::assertSame(['1', '2', '+1', null], self::texts($lines['min']));
        self::assertSame(['4', '8', '+4', null], self::texts($lines['max']));
        self::assertSame(['2.0', '4.0', '+2.0', '× 2.00'], self::texts($lines['iqr']));
        self::assertSame(['1.3', '2.6', '+1.3', '× 2.00'], self::texts($lines['sd']));
        self::assertSame(sqrt(5 / 3), $lines['sd']->value, 'in full for copying');
        self::assertSame(['81.3', 'Above one of Heather, of 100 draws', 0.8125], [$lines['superiority']->difference, $lines['superiority']->label, $lines['superiority']->value]);
        self::assertSame('+1.06', $lines['hedges_g']->difference);
        self::assertSame(['+1.0', '+2.5', '+4.0'], [$lines['at_10']->difference, $lines['at_50']->difference, $lines['at_90']->difference]);
        self::assertSame([], array_filter($lines, static fn(ComparisonLine $line): bool => $line->reason !== null));
    }

    public function test_turned_about_the_signs_turn_and_the_ratios_are_upside_down(): void
    {
        $lines = self::ofGroups(['2', '4', '6', '8'], ['1', '2', '3', '4'], 0);

        self::assertSame(['5.0', '2.5', '−2.5', '−50.0 %'], self::texts($lines['mean']));
        self::assertSame('−6.4 to 1.4', $lines['interval']->difference);
        self::assertSame('× 0.50', $lines['sd']->beside);
        self::assertSame(['18.8', '−1.06'], [$lines['superiority']->difference, $lines['hedges_g']->difference]);
    }

    public function test_who_makes_the_range_is_named_where_there_are_names(): void
    {
        $names = [static fn(BigDecimal $value): ?string => $value->isEqualTo(1) ? 'Hive 7' : null, static fn(BigDecimal $value): string => "at {$value}"];
        $lines = self::keyed(ComparisonLines::ofGroups(self::sides(['1', '4'], ['2', '9'], new Basis()), new FigureText(new Basis(), 0), 'Heather', $names));

        self::assertSame(['Hive 7: 1', 'at 2: 2'], [$lines['min']->first, $lines['min']->second]);
        self::assertSame(['4', 'at 9: 9'], [$lines['max']->first, $lines['max']->second], 'one without a name is its value alone');
    }

    public function test_what_has_no_value_says_why(): void
    {
        $lines = self::ofGroups(['0'], [], 0);
        foreach (array_diff_key($lines, ['n' => 0, 'sd' => 0]) as $key => $line) {
            self::assertSame([null, null, self::NONE], [$line->difference, $line->beside, $line->reason], $key);
        }
        self::assertSame('needs at least 2 values', $lines['sd']->reason);
        self::assertSame(['1', '0'], [$lines['n']->first, $lines['n']->second]);

        $around = self::ofGroups(['-1', '1'], ['1', '5'], 0);
        self::assertSame(['0.0', '3.0', '+3.0', null], self::texts($around['mean']), 'no percent of nothing');
    }

    public function test_no_difference_has_no_sign(): void
    {
        $lines = self::ofGroups(['1.5', '2.5'], ['1.5', '2.5'], 1);

        self::assertSame(['2.00', '2.00', '0.00', '0.0 %'], self::texts($lines['mean']));
        self::assertSame(['50.0', '0.00'], [$lines['superiority']->difference, $lines['hedges_g']->difference]);
    }

    public function test_decimals_and_level_are_those_of_the_basis(): void
    {
        $basis = new Basis(level: '0.9', decimals: ShownDecimals::ofWord('3'));
        $lines = self::keyed(ComparisonLines::ofGroups(self::sides(['1', '2'], ['3', '5'], $basis), new FigureText($basis, 0), 'Heather'));

        self::assertSame(['1.500', '4.000', '+2.500', '+166.7 %'], self::texts($lines['mean']));
        self::assertSame('90 % interval of the difference', $lines['interval']->label);
    }

    /** Of the five rows three have both: +1.0, 0.0 and −2.0. */
    public function test_pairs_are_counted_and_their_changes_told(): void
    {
        $lines = self::keyed(ComparisonLines::ofPairs(self::pairs(), new FigureText(new Basis(), 1)));

        self::assertSame(['3', '2'], [$lines['n']->difference, $lines['left_out']->difference]);
        foreach (['rose', 'fell', 'stayed'] as $way) {
            self::assertSame([null, null, '1', '33.3 %'], self::texts($lines[$way]));
        }
        self::assertSame(['2.17', '1.83', '−0.33', null], self::texts($lines['mean']));
        self::assertSame(['0.0', '−2.0', '+1.0'], [$lines['median']->difference, $lines['min']->difference, $lines['max']->difference]);
        self::assertSame('1.53', $lines['sd']->difference, 'a spread has no sign');
        self::assertSame(['−0.218', '−1.000'], [$lines['standardised_change']->difference, $lines['correlation']->difference]);
    }

    public function test_rows_count_as_often_as_their_counts_say(): void
    {
        $figures = ComparisonFigures::ofPairs(self::pairs('w'));

        self::assertSame([], $figures['undefined']);
        self::assertSame(['rows' => 15, 'n' => 6, 'left_out' => 9], array_intersect_key($figures['figures'], ['rows' => 0, 'n' => 0, 'left_out' => 0]));
        self::assertSame(['rose' => 1, 'fell' => 3, 'stayed' => 2], array_intersect_key($figures['figures'], ['rose' => 0, 'fell' => 0, 'stayed' => 0]));
        // (1·1 + 2·0 − 3·2) / 6
        self::assertSame(-5 / 6, $figures['figures']['mean']);
    }

    public function test_under_a_condition_only_its_rows_are_paired(): void
    {
        $pairs = PairedColumns::of(self::table(), 'a', 'b', new Basis(where: 'a < 3'));

        self::assertSame([2, 2, 1, 0, 1], [$pairs->rowCount()->number(), $pairs->size()->number(), $pairs->rose(), $pairs->fell(), $pairs->stayed()]);
    }

    public function test_changes_of_decimals_are_exact_across_chunks(): void
    {
        // 0.3 − 0.1 is not 0.2 in doubles.
        $cells = static fn(string $cell): array => array_fill(0, 20_000, $cell);
        $pairs = PairedColumns::of(ListedTable::of(['a' => $cells('0.1'), 'b' => [...array_slice($cells('0.3'), 1), '0.10']]), 'a', 'b', new Basis());

        self::assertSame([19_999, 0, 1], [$pairs->rose(), $pairs->fell(), $pairs->stayed()]);
        self::assertSame('3999.8', (string) $pairs->changes->sum()->toScale(1));
    }

    public function test_the_figures_come_under_their_keys_and_those_without_a_value_are_named(): void
    {
        ['figures' => $figures, 'undefined' => $undefined] = ComparisonFigures::ofGroups(self::sides(['1', '2', '3', '4'], ['2', '4', '6', '8'], new Basis()));
        self::assertSame([], $undefined);
        self::assertSame([[4, 4], [2.5, 5.0]], [$figures['n'], $figures['mean']]);
        self::assertEquals(['mean' => 2, 'median' => 2, 'range' => 2, 'sd' => 2, 'iqr' => 2], self::within($figures['ratio']));
        self::assertEquals(['mean' => 100, 'median' => 100], self::within($figures['percent']));
        self::assertSame(['10', '20', '30', '40', '50', '60', '70', '80', '90'], array_map(strval(...), array_keys(self::within($figures['deciles']))));
        self::assertSame(0.95, self::within($figures['interval'])['level']);

        ['figures' => $figures, 'undefined' => $undefined] = ComparisonFigures::ofGroups(self::sides(['-1', '1'], ['4'], new Basis()));
        self::assertNull($figures['interval']);
        self::assertSame(['sd', 'interval', 'hedges_g'], array_values(array_intersect(['mean', 'sd', 'interval', 'hedges_g', 'superiority'], array_keys($undefined))));
        self::assertEquals([null, 4], [self::within($figures['percent'])['mean'], self::within($figures['difference'])['mean']]);
        self::assertArrayHasKey('percent.mean', $undefined);
    }

    /**
     * @param list<string> $first
     * @param list<string> $second
     */
    private static function sides(array $first, array $second, Basis $basis): ComparedGroups
    {
        return new ComparedGroups(new Observations(Numbers::ofTexts($first), 0), new Observations(Numbers::ofTexts($second), 0), $basis);
    }

    private static function pairs(?string $counts = null): ComparedPairs
    {
        return PairedColumns::of(self::table(), 'a', 'b', new Basis(), $counts);
    }

    private static function table(): ListedTable
    {
        return ListedTable::of(['a' => ['1.5', '2', '3', '', '5'], 'b' => ['2.5', '2', '1', '4', ''], 'w' => ['1', '2', '3', '4', '5']]);
    }

    /**
     * @param list<string> $first
     * @param list<string> $second
     *
     * @return array<string, ComparisonLine> by key
     */
    private static function ofGroups(array $first, array $second, int $decimals): array
    {
        return self::keyed(ComparisonLines::ofGroups(self::sides($first, $second, new Basis()), new FigureText(new Basis(), $decimals), 'Heather'));
    }

    /**
     * @param non-empty-list<array{title: string, lines: list<ComparisonLine>}> $parts
     *
     * @return array<string, ComparisonLine>
     */
    private static function keyed(array $parts): array
    {
        $lines = array_merge(...array_column($parts, 'lines'));

        return array_combine(array_map(static fn(ComparisonLine $line): string => $line->key, $lines), $lines);
    }

    /** @return list<string|null> */
    private static function texts(ComparisonLine $line): array
    {
        return [$line->first, $line->second, $line->difference, $line->beside];
    }

    /** @return array<array-key, mixed> */
    private static function within(mixed $figures): array
    {
        self::assertIsArray($figures);

        return $figures;
    }
}
