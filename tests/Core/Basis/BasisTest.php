<?php

declare(strict_types=1);

namespace Tests\Core\Basis;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Marks\NumberMarks;

/** What a basis takes, and what it says of itself wherever it goes. */
final class BasisTest extends TestCase
{
    public function test_what_is_said_of_it_where_nothing_was_chosen(): void
    {
        self::assertSame(
            'Taken as a sample; quartiles by halves, middle left out; no counts; all rows; missing left out per variable; fences at 1.5 IQR; '
            . 'class edges [a, b): a value on an edge belongs to the class above it; 95 % intervals; shown to one more decimal than the data.',
            (new Basis())->words(),
        );
    }

    public function test_every_choice_is_in_its_words_and_under_its_key(): void
    {
        $basis = new Basis(SampleOrPopulation::Population, QuartileRule::cases()[2], ClassEdge::Right, '2.25', '0.995', MissingRows::CompleteRows, ShownDecimals::ofWord('s4'), 'hives', 'kg > 3', null, 1204);
        $words = $basis->countedIn('thousands')->words();
        foreach (['population', QuartileRule::cases()[2]->words(), 'counts from hives, in thousands', 'rows where kg > 3 but 1,204 set aside', 'with their whole row', 'fences at 2.25 IQR', ClassEdge::Right->words(), '99.5 % intervals', 'shown to 4 significant digits'] as $part) {
            self::assertStringContainsString($part, $words);
        }
        self::assertSame(
            ['as' => 'population', 'quartiles' => QuartileRule::cases()[2]->value, 'class_edge' => ClassEdge::Right->value, 'fences' => 2.25, 'level' => 0.995, 'missing' => 'complete-rows', 'decimals' => 's4', 'counts' => 'hives', 'counts_unit' => null, 'where' => 'kg > 3', 'set_aside' => 1204, 'words' => $basis->words()],
            $basis->toArray(),
        );
    }

    public function test_what_is_changed_of_it_leaves_the_rest_as_it_was(): void
    {
        $basis = new Basis(SampleOrPopulation::Population, QuartileRule::cases()[1], ClassEdge::Right, '2', '0.9', MissingRows::CompleteRows, ShownDecimals::ofWord('2'), 'hives', 'kg > 3', 'thousands', 7);
        self::assertEquals($basis, $basis->with());
        foreach ([
            'as' => [$basis->with(takenAs: SampleOrPopulation::Sample), 'sample'],
            'quartiles' => [$basis->with(quartileRule: QuartileRule::cases()[0]), QuartileRule::cases()[0]->value],
            'fences' => [$basis->with(innerFence: '3'), 3.0],
            'level' => [$basis->with(level: '0.99'), 0.99],
            'counts_unit' => [$basis->countedIn(null), null],
        ] as $key => [$changed, $value]) {
            self::assertSame(array_diff_key([...$basis->toArray(), $key => $value], ['words' => 0]), array_diff_key($changed->toArray(), ['words' => 0]));
        }
        // Over all rows, each once: how figures are made and shown stays.
        $all = $basis->ofAll()->toArray();
        self::assertSame([null, null, null, 0, 'per-variable'], [$all['counts'], $all['counts_unit'], $all['where'], $all['set_aside'], $all['missing']]);
        self::assertSame(['population', 0.9, 2.0, '2'], [$all['as'], $all['level'], $all['fences'], $all['decimals']]);
    }

    public function test_fences_and_level_in_words(): void
    {
        $basis = new Basis(innerFence: '1.5', level: '0.575');
        self::assertSame(['1.5', '3', '57.5'], [$basis->fence(), $basis->outerFence(), $basis->levelPercent()]);
        self::assertSame(['95', '0.1', '99.9'], [Basis::percentOf('0.950'), Basis::percentOf('0.001'), Basis::percentOf('0.999')]);
    }

    /** @return iterable<string, array{array{innerFence?: string, level?: string}}> */
    public static function refused(): iterable
    {
        foreach (['0', '0.0', '-1', '', 'x', '1.', '.5', '100', '1.5000', "1.5\n"] as $fence) {
            yield 'a fence of ' . json_encode($fence) => [['innerFence' => $fence]];
        }
        foreach (['0.49', '0.9991', '1', '95', '0', '', '0.9500000', '.95', "0.95\n"] as $level) {
            yield 'a level of ' . json_encode($level) => [['level' => $level]];
        }
    }

    /** @param array{innerFence?: string, level?: string} $said */
    #[DataProvider('refused')]
    public function test_what_is_no_fence_and_no_level_is_refused_in_words(array $said): void
    {
        $this->expectException(NotUnderstood::class);
        new Basis(...$said);
    }

    /** @return iterable<string, array{string, string, int|null, int|null, int|null}> how decimals are shown: the word, what is said, and how many for data with two, for a value of those data, and for doubles */
    public static function decimals(): iterable
    {
        yield 'as the data' => ['data+0', 'with as many decimals as the data', 2, 2, null];
        yield 'one more' => ['data+1', 'to one more decimal than the data', 3, 2, null];
        yield 'two more' => ['data+2', 'to two more decimals than the data', 4, 2, null];
        yield 'ten more' => ['data+10', 'to 10 more decimals than the data', 12, 2, null];
        yield 'none' => ['0', 'with no decimals', 0, 0, 0];
        yield 'one' => ['1', 'with one decimal', 1, 1, 1];
        yield 'three' => ['3', 'with three decimals', 3, 3, 3];
        yield 'four' => ['4', 'with 4 decimals', 4, 4, 4];
        yield 'one significant digit' => ['s1', 'to 1 significant digit', null, null, null];
        yield 'four of them' => ['s4', 'to 4 significant digits', null, null, null];
    }

    #[DataProvider('decimals')]
    public function test_how_decimals_are_shown(string $word, string $words, ?int $ofFigures, ?int $ofTheData, ?int $ofDoubles): void
    {
        $shown = ShownDecimals::ofWord($word);

        self::assertSame([$word, $words, $word[0] === 's'], [$shown->word(), $shown->words(), $shown->isSignificant()]);
        self::assertSame([$ofFigures, $ofTheData, $ofDoubles], [$shown->decimals(2), $shown->decimals(2, true), $shown->decimals(null)]);
    }

    public function test_other_words_for_decimals_are_refused(): void
    {
        foreach (['', 'data', 'data+', 'data+11', '11', 's0', 's', 's11', '-1', '1.5', 'data-1', "2\n", '002'] as $word) {
            try {
                ShownDecimals::ofWord($word);
                self::fail(json_encode($word) . ' was taken');
            } catch (NotUnderstood $refused) {
                self::assertNotSame('', $refused->getMessage());
            }
        }
    }

    public function test_numbers_in_its_words_have_the_marks_in_force_and_those_under_its_keys_have_not(): void
    {
        $basis = new Basis(innerFence: '2.5', level: '0.995');
        [$words, $keys] = (new NumberMarks('comma'))->during(static fn(): array => [$basis->words(), $basis->toArray()]);

        self::assertStringContainsString('fences at 2,5 IQR', $words);
        self::assertStringContainsString('99,5 % intervals', $words);
        self::assertSame([2.5, 0.995], [$keys['fences'], $keys['level']]);
    }

    /** @return iterable<string, array{list<QuartileRule|ClassEdge|MissingRows|SampleOrPopulation>}> */
    public static function choices(): iterable
    {
        yield 'quartiles' => [QuartileRule::cases()];
        yield 'edges' => [ClassEdge::cases()];
        yield 'missing' => [MissingRows::cases()];
        yield 'as' => [SampleOrPopulation::cases()];
    }

    /** @param list<QuartileRule|ClassEdge|MissingRows|SampleOrPopulation> $cases */
    #[DataProvider('choices')]
    public function test_every_choice_has_words_and_a_sentence_of_its_own(array $cases): void
    {
        foreach ([array_map(static fn($case): string => $case->words(), $cases), array_map(static fn($case): string => $case->sentence(), $cases)] as $texts) {
            self::assertSame($texts, array_values(array_unique($texts)));
            self::assertNotContains('', $texts);
        }
    }
}
