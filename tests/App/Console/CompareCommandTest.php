<?php

declare(strict_types=1);

namespace Tests\App\Console;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\App\Support\RunsCommands;

/** The command as a person runs it: its own process, without database, server or settings. */
final class CompareCommandTest extends TestCase
{
    use RunsCommands;

    private const FILE = "Tag,Apiary,Before,After,Honey (kg)\nA1,Brook End,9,2,21.5\nA2,Dunmere,8,2,18.5\nA3,Brook End,7,7,23.5\nA4,Dunmere,,1,30\nA5,,4,5,\nA6,Alder Wick,3,1,9.25\nA7,Alder Wick,3,1,11.25\n";

    public function test_each_group_is_compared_with_the_first(): void
    {
        [$code, $out] = self::command('tally:compare', ['-', '--variable=Honey', '--by=Apiary', '--json'], self::FILE);
        $document = json_decode($out, true, 512, JSON_THROW_ON_ERROR);
        self::assertSame([0, 'sample', 2], [$code, $document['basis']['as'], count($document['comparisons'])]);
        // Groups are in the order of the labels; the rows without an apiary are no group here.
        self::assertSame([['Brook End', 'Dunmere'], ['Brook End', 'Alder Wick']], array_map(static fn(array $one): array => [$one['first'], $one['second']], $document['comparisons']));
        $figures = $document['comparisons'][0]['figures'];
        self::assertSame([2, 2], $figures['n']);
        self::assertSame([22.5, 24.25, 1.75], [...$figures['mean'], $figures['difference']['mean']]);
        self::assertSame(['level', 'low', 'high', 'df', 'se'], array_keys($figures['interval']));
        self::assertSame(range(10, 90, 10), array_keys($figures['deciles']));
        self::assertSame([], $document['comparisons'][0]['readings']);
    }

    public function test_groups_in_the_order_in_which_they_are_named(): void
    {
        [, $out] = self::command('tally:compare', ['-', '--variable=Honey', '--by=Apiary', '--group=Dunmere', '--group=Alder Wick', '--good=more', '--readings', '--json'], self::FILE);
        $comparison = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['comparisons'][0];
        self::assertSame(['Dunmere', 'Alder Wick', -14.0], [$comparison['first'], $comparison['second'], $comparison['figures']['difference']['mean']]);
        self::assertSame(['key', 'column', 'sentence', 'figures', 'rule', 'source', 'weight'], array_keys($comparison['readings'][0]));
    }

    public function test_the_same_rows_earlier_and_later(): void
    {
        [$code, $out] = self::command('tally:compare', ['-', '--pair=Before', '--pair=After', '--good=fewer', '--readings', '--json', '--counting=hive,hives'], self::FILE);
        $comparison = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['comparisons'][0];
        self::assertSame([0, 'pairs', 7, 6, 1], [$code, $comparison['kind'], $comparison['figures']['rows'], $comparison['figures']['n'], $comparison['figures']['left_out']]);
        self::assertSame([1, 4, 1], [$comparison['figures']['rose'], $comparison['figures']['fell'], $comparison['figures']['stayed']]);
        self::assertStringStartsWith('Of 6 hives 4 fell from Before to After, 1 rose, 1 stayed as they were', $comparison['readings'][0]['sentence']);
    }

    public function test_what_is_undefined_is_null_with_its_reason(): void
    {
        [, $out] = self::command('tally:compare', ['-', '--variable=x', '--by=g', '--json'], "g,x\na,0\nb,5\n");
        $comparison = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['comparisons'][0];
        self::assertSame([null, null], [$comparison['figures']['interval'], $comparison['figures']['ratio']['mean']]);
        self::assertSame(['needs at least 2 values', 'the first of the two is 0'], [$comparison['undefined']['interval'], $comparison['undefined']['ratio.mean']]);
    }

    public function test_tables_say_the_same_in_words(): void
    {
        [$code, $out] = self::command('tally:compare', ['-', '--variable=Honey', '--by=Apiary', '--group=Brook End', '--group=Dunmere', '--readings'], self::FILE);
        self::assertSame(0, $code);
        self::assertMatchesRegularExpression('/Honey \(kg\): Dunmere against Brook End/', $out);
        self::assertMatchesRegularExpression('/Mean\s+22\.500\s+24\.250\s+\+1\.750\s+\+7\.8 %/', $out);
        self::assertStringContainsString('Dunmere’s mean is 1.750 kg above Brook End’s', $out);
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function unusable(): iterable
    {
        yield 'nothing to compare' => [[], 'Say what is compared'];
        yield 'both ways' => [['--variable=Honey', '--by=Apiary', '--pair=Before'], 'not both'];
        yield 'half a pair' => [['--pair=Before'], 'give --pair twice'];
        yield 'no such group' => [['--variable=Honey', '--by=Apiary', '--group=Nowhere', '--group=Dunmere'], 'There is no group "Nowhere". The groups are: Brook End, Dunmere'];
        yield 'one group' => [['--variable=Honey', '--by=Apiary', '--group=Dunmere'], 'a comparison needs two'];
        yield 'no number' => [['--variable=Apiary', '--by=Apiary'], 'Apiary'];
        yield 'no such direction' => [['--pair=Before', '--pair=After', '--good=up'], '--good=up is not known. Use one of: more, fewer.'];
        yield 'no such word' => [['--pair=Before', '--pair=After', '--quartiles=none'], '--quartiles=none is not known'];
        yield 'no word for a row' => [['--pair=Before', '--pair=After', '--counting=a,b,c'], 'does not name a row'];
    }

    /** @param list<string> $options */
    #[DataProvider('unusable')]
    public function test_what_cannot_be_answered_is_refused_in_one_sentence(array $options, string $sentence): void
    {
        [$code, $out, $error] = self::command('tally:compare', ['-', ...$options], self::FILE);
        self::assertSame([2, ''], [$code, $out]);
        self::assertStringContainsString($sentence, $error);
    }
}
