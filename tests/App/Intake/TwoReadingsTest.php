<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\ReadTable;
use App\Intake\TableLook;
use App\Intake\TwoReadings;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\DateText;

/** "4.767" is a little under five or nearly five thousand, and 03/04/2026 in March or April. What the table shows decides; where it shows nothing, a person does. */
final class TwoReadingsTest extends TestCase
{
    private string $path = '';

    protected function tearDown(): void
    {
        @unlink($this->path);
    }

    /** @return iterable<string, array{string, list<array{int, string, string, string}>}> a table; column, cell, how it is read, what it could be */
    public static function tables(): iterable
    {
        yield 'three digits behind every point' => ["Depth;Site\n4.767;a\n12.989;b\n", [[0, '4.767', '4.767', '4767']]];
        yield 'three digits behind every comma' => ["Depth;Site\n4,767;a\n812;b\n", [[0, '4,767', '4.767', '4767']]];
        yield 'two such columns' => ["a\tb\n1.250\t-3.000\n2.500\t7\n", [[0, '1.250', '1.250', '1250'], [1, '-3.000', '-3.000', '-3000']]];
        yield 'one cell shows it' => ["Depth;Site\n4.767;a\n12.9;b\n", []];
        yield 'another column shows it' => ["Depth;Weight\n4.767;1,5\n12.989;2,25\n", []];
        yield 'where commas set cells apart no comma is a decimal mark' => ["Depth,Site\n4.767,a\n12.989,b\n", []];
        yield 'four digits before the point' => ["Depth;Site\n4767.100;a\n12.989;b\n", []];
        yield 'a day that could be a month' => ["Seen,n\n03/04/2026,1\n05/06/2026,2\n", [[0, '03/04/2026', '2026-04-03', '2026-03-04']]];
        yield 'the same day either way decides nothing' => ["Seen,n\n03/03/2026,1\n05/06/2026,2\n", [[0, '05/06/2026', '2026-06-05', '2026-05-06']]];
        yield 'a day beyond the twelfth shows it' => ["Seen,n\n03/04/2026,1\n25/06/2026,2\n", []];
        yield 'a column beside it shows it' => ["Seen,Left\n03/04/2026,06/25/2026\n05/06/2026,06/26/2026\n", []];
        yield 'two columns that contradict show nothing' => ["a,b,c\n03/04/2026,25/06/2026,06/25/2026\n05/06/2026,26/06/2026,06/26/2026\n", [[0, '03/04/2026', '2026-04-03', '2026-03-04']]];
        yield 'years that come first' => ["Seen,n\n2026-03-04,1\n2026-05-06,2\n", []];
        yield 'no mark at all' => ["Depth;Site\n4767;a\n12;b\n", []];
    }

    /** @param list<array{int, string, string, string}> $expected */
    #[DataProvider('tables')]
    public function test_a_column_is_in_doubt_where_nothing_shows_what_it_means(string $text, array $expected): void
    {
        self::assertSame($expected, array_map(static fn(TwoReadings $two): array => [$two->column, $two->text, $two->readAs, $two->couldBe], $this->look($text)->inDoubt));
    }

    public function test_either_answer_ends_the_doubt_and_is_kept(): void
    {
        $text = "Depth;Site\n4.767;a\n12.989;b\n";
        [$thousands, $decimals] = $this->look($text)->inDoubt[0]->remedies;
        foreach ([[$thousands, ',', '.'], [$decimals, '.', '']] as [$remedy, $decimalMark, $groupMark]) {
            $decisions = new Decisions();
            foreach ($remedy['changes'] as $change) {
                $decisions = $decisions->with($change);
            }
            $look = $this->look($text, Decisions::fromArray($decisions->toArray()));

            self::assertSame([[], 0, $decimalMark, $groupMark], [$look->inDoubt, $look->unreadCells, $look->variables[0]->style->decimalMark, $look->variables[0]->style->groupMark]);
        }
    }

    public function test_dates_are_read_as_the_columns_beside_them_show_or_as_was_answered(): void
    {
        $order = fn(string $text, Decisions $decisions = new Decisions()): ?DateText => $this->look($text, $decisions)->variables[0]->dateOrder;
        $open = "Seen,n\n03/04/2026,1\n05/06/2026,2\n";

        self::assertSame(DateText::DayFirst, $order($open));
        self::assertSame(DateText::MonthFirst, $order("Seen,Left\n03/04/2026,06/25/2026\n05/06/2026,06/26/2026\n"));
        self::assertSame(DateText::DayFirst, $order("Seen,Left\n03/04/2026,25/06/2026\n05/06/2026,26/06/2026\n"));
        foreach ($this->look($open)->inDoubt[0]->remedies as $i => $remedy) {
            $decided = (new Decisions())->with($remedy['changes'][0]);
            self::assertSame([$i === 0 ? DateText::MonthFirst : DateText::DayFirst, []], [$order($open, $decided), $this->look($open, $decided)->inDoubt]);
        }
    }

    public function test_who_does_not_answer_finds_a_remark_beside_the_figures(): void
    {
        $this->look("Depth;Site\n4.767;a\n12.989;b\n");
        $reading = (new ReadTable())->read(CsvFile::open($this->path), new KeptColumns(), static function (): void {});

        self::assertSame(
            ['In Depth three digits follow every mark, and nothing in the table shows what the mark is: “4.767” was read as 4.767 and could mean 4767.'],
            $reading->notes,
        );
    }

    private function look(string $text, Decisions $decisions = new Decisions()): TableLook
    {
        $this->path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        file_put_contents($this->path, $text);

        return TableLook::at($this->path, 'depths.csv', $decisions);
    }
}
