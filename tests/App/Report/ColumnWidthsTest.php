<?php

declare(strict_types=1);

namespace Tests\App\Report;

use App\Report\Forms\ColumnWidths;
use App\Report\Forms\Form;
use App\Report\Forms\HandOver;
use App\Report\Forms\Tool;
use App\Report\Paper;
use App\Report\PaperBlock;
use App\Report\PaperTable;
use Tests\App\AppTestCase;

/** Columns of tables on paper: wide enough for every number in one line, and together no wider than the page. */
final class ColumnWidthsTest extends AppTestCase
{
    private const A4_ROOM = 174 / 25.4 * 96;

    public function test_columns_are_as_wide_as_what_stands_in_them(): void
    {
        $widths = ColumnWidths::of(new PaperTable([['Weight', 'Count'], ['20 to under 21', '106'], ['21 to under 22', '1'], ['x', '10000000']]), 'a4');
        self::assertCount(2, $widths);
        self::assertGreaterThan(2 * 14.0, $widths[0]);
        self::assertGreaterThan(8 * 0.6 * 12.0, $widths[1]);
        self::assertLessThan(200.0, array_sum($widths));
    }

    public function test_words_give_way_where_the_page_is_too_narrow(): void
    {
        $words = implode(' ', array_fill(0, 60, 'meadow'));
        $widths = ColumnWidths::of(new PaperTable([['Said', 'Count'], [$words, '123456.78'], [$words, '2.5']]), 'a4');
        self::assertEqualsWithDelta(self::A4_ROOM, array_sum($widths), 1.0);
        self::assertGreaterThan(9 * 0.6 * 12.0, $widths[1]);
        self::assertGreaterThan(array_sum($widths), array_sum(ColumnWidths::of(new PaperTable([['Said', 'Count'], [$words, '123456.78']]), 'letter')));
    }

    public function test_every_number_stands_in_one_line_beside_its_row(): void
    {
        $tables = [
            'numbers of very different length' => [['Weight (kg)', 'Overall', 'A'], ['Sum Σx', '12345678901234567.123456', '−0.5'], ['Count n', '999013', '17']],
            'other scripts' => [['重量（キログラム）', 'Übersee-Apfelwiese am Südhang', 'שדה'], ['平均値', '53.006', '−1.25'], ['Σ', '1000000', '3.5']],
            'bold heads wider than what is below' => [['WWWWWWWW', 'MMMMMMMM', '%'], ['a', '31', '100.0'], ['b', '32', '0.1']],
            'long words beside numbers' => [['Note', 'Value'], [str_repeat('Streuobstwiesenverein ', 12), '123456.7890'], ['short', '18']],
        ];
        // One document for all: to lay one out takes seconds.
        $paper = new Paper('Meadow', 'of the meadow', [new PaperBlock('b1', 'Table', 'Table 1', tables: array_map(static fn(array $cells): PaperTable => new PaperTable($cells), array_values($tables)))], [], 1);
        $words = Tool::run(['pdftotext', '-bbox', '-', '-'], app(HandOver::class)->as(Form::Pdf, $paper), 'The text');
        preg_match_all('/<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)"[^>]*>([^<]*)</', $words, $found, PREG_SET_ORDER);
        foreach ($tables as $what => $cells) {
            foreach (array_merge(...array_map(static fn(array $row): array => array_slice($row, 1), array_slice($cells, 1))) as $number) {
                $own = array_values(array_filter($found, static fn(array $word): bool => $word[4] === $number));
                self::assertNotEmpty($own, "{$what}: {$number}");
                foreach ($own as [, $left, $top]) {
                    // In points: two paddings lie between it and what stands before it in the same line, less what is rounded.
                    $before = array_filter($found, static fn(array $word): bool => abs((float) $word[2] - (float) $top) < 4 && (float) $word[1] < (float) $left);
                    self::assertGreaterThan(9.0, (float) $left - max([0.0, ...array_map(static fn(array $word): float => (float) $word[3], array_values($before))]), "{$what}: {$number}");
                }
            }
        }
    }
}
