<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\MarkInDoubt;
use App\Intake\ReadTable;
use App\Intake\TableLook;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** "4.767" is either a little under five or nearly five thousand. What the table shows decides; where it shows nothing, a person does. */
final class MarkInDoubtTest extends TestCase
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
        yield 'no mark at all' => ["Depth;Site\n4767;a\n12;b\n", []];
    }

    /** @param list<array{int, string, string, string}> $expected */
    #[DataProvider('tables')]
    public function test_a_mark_is_in_doubt_where_nothing_shows_what_it_is(string $text, array $expected): void
    {
        self::assertSame($expected, array_map(static fn(MarkInDoubt $mark): array => [$mark->column, $mark->text, $mark->readAs, $mark->couldBe], $this->look($text)->inDoubt));
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

    public function test_who_does_not_answer_finds_a_remark_beside_the_figures(): void
    {
        $this->look("Depth;Site\n4.767;a\n12.989;b\n");
        $reading = (new ReadTable())->read(CsvFile::open($this->path), new KeptColumns(), static function (): void {});

        self::assertSame(
            ['“4.767” in Depth was read as 4.767. Three digits follow every mark there, and nothing in the table shows what the mark is: if it stands between thousands, this is 4767.'],
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
