<?php

declare(strict_types=1);

namespace Tests\App\Console;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\App\Support\RunsCommands;

/** The command as a person runs it: its own process, without database, server or settings. */
final class ProfileCommandTest extends TestCase
{
    use RunsCommands;

    private const FILE = "Apiary,Honey (kg)\nBrook End,21.05\nDunmere,18.5\nBrook End,21.07\n,30\nDunmere,n/a\n";

    public function test_json_is_one_document_with_full_precision(): void
    {
        [$code, $out, $error] = $this->profileOf(['-', '--variable=Honey', '--by=Apiary', '--as=population', '--quartiles=hf7', '--json']);
        self::assertSame([0, "Cells that could not be read were kept as text and count as missing: Honey (1).\n"], [$code, $error]);
        $document = json_decode($out, true, 512, JSON_THROW_ON_ERROR);

        self::assertSame(['population', 'hf7', 5], [$document['basis']['as'], $document['basis']['quartiles'], $document['rows']]);
        $honey = $document['variables'][0];
        self::assertSame([null, 'Brook End', 'Dunmere', null], array_column($honey['groups'], 'group'));
        self::assertSame([4, 1, 22.655, 21.06], array_map(static fn(string $key): int|float => $honey['groups'][0]['figures'][$key], ['n', 'missing', 'mean', 'median']));
        self::assertSame(0.0001, $honey['groups'][1]['figures']['variance']);
        self::assertSame([1, 1, 0.0], [$honey['groups'][2]['figures']['n'], $honey['groups'][2]['figures']['missing'], $honey['groups'][2]['figures']['sd']]);
        self::assertTrue($honey['groups'][3]['without_label']);
        self::assertSame(4, array_sum($honey['histogram']['counts']));
    }

    public function test_what_is_undefined_is_null_with_its_reason(): void
    {
        [, $out] = $this->profileOf(['-', '--json'], "x\n5\n");
        $group = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0]['groups'][0];

        self::assertNull($group['figures']['sd']);
        self::assertNull($group['figures']['ci_mean']);
        foreach (['sd' => 2, 'ci_mean' => 2, 'skewness' => 3, 'kurtosis' => 4, 'shapiro_wilk_p' => 3] as $key => $needed) {
            self::assertSame("needs at least {$needed} values", $group['undefined'][$key], $key);
        }
    }

    public function test_readings_are_said_of_each_variable(): void
    {
        [, $out] = $this->profileOf(['-', '--variable=Honey', '--variable=Apiary', '--by=Apiary', '--readings', '--counting=hive,hives', '--json']);
        [$honey, $apiary] = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'];
        $said = array_column(array_filter($honey['readings'], static fn(array $reading): bool => $reading['column'] === null), 'sentence', 'key');
        self::assertSame('1 of 5 hives has no entry of Honey (20.0 %); every figure here is of the other 4.', $said['missing']);
        self::assertContains('Brook End', array_column($honey['readings'], 'column'));
        self::assertSame(['Brook End and Dunmere are commonest, each with 2 of 4, 50.0 %.'], array_slice(array_column($apiary['readings'], 'sentence'), 0, 1));
        [, $out] = $this->profileOf(['-', '--variable=Honey', '--readings']);
        self::assertStringContainsString("Honey, what it says\n", $out);
        [, $out] = $this->profileOf(['-', '--variable=Honey', '--json']);
        self::assertStringNotContainsString('readings', $out);
    }

    public function test_outliers_are_listed_as_often_as_they_occur(): void
    {
        [, $out] = $this->profileOf(['-', '--json'], "x\n1\n2\n3\n4\n5\n6\n7\n99\n99\n-80\n");
        $figures = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0]['groups'][0]['figures'];

        self::assertSame([-80.0, 99.0, 99.0], array_map(floatval(...), $figures['outliers']));
        self::assertSame([[-80.0, 1], [99.0, 2]], array_map(static fn(array $one): array => [(float) $one['value'], $one['count']], $figures['outliers_counted']));
        self::assertSame([-5.5, 14.5], [$figures['lower_fence'], $figures['upper_fence']]);
    }

    public function test_outliers_of_counts_in_billions_are_counted_and_not_repeated(): void
    {
        [$code, $out] = $this->profileOf(['-', '--counts=f', '--variable=x', '--json'], "x,f\n1,3000000000\n2,4000000000\n3,3000000000\n99,1000000000\n");
        $group = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0]['groups'][0];

        self::assertSame([0, null], [$code, $group['figures']['outliers']]);
        self::assertSame([99.0, 1000000000], [(float) $group['figures']['outliers_counted'][0]['value'], $group['figures']['outliers_counted'][0]['count']]);
        self::assertStringContainsString('outliers_counted', $group['undefined']['outliers']);
    }

    public function test_a_match_tries_counts_forgotten_and_both_readings(): void
    {
        $data = "x,f\n1000,1\n1468,2\n";
        [, $out] = $this->profileOf(['-', '--counts=f', '--variable=x', '--match=1,234', '--json'], $data);
        $variable = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0];
        self::assertContains(['mean', ['counts forgotten']], array_map(static fn(array $match): array => [$match['figure'], $match['differences']], $variable['match']));
        self::assertSame('Read as 1.234 and as 1234: both were tried.', $variable['match_read']);

        [, $text] = $this->profileOf(['-', '--variable=x', '--match=1312'], $data);
        self::assertStringContainsString('f used as counts', $text);
    }

    public function test_significant_digits_may_be_fewer_than_stand_before_the_point(): void
    {
        [$code, $out] = $this->profileOf(['-', '--decimals=s1'], "x\n10\n20\n");

        self::assertSame(0, $code);
        self::assertMatchesRegularExpression('/Mean\s+x̄\s+20/u', $out);
    }

    public function test_without_json_it_writes_tables_for_people(): void
    {
        [$code, $out] = $this->profileOf(['-', '--by=Apiary']);

        self::assertSame(0, $code);
        self::assertStringContainsString('Honey (kg)', $out);
        self::assertMatchesRegularExpression('/Mean\s+x̄\s+22\.655\s+21\.060\s+18\.500\s+30\.000/u', $out);
    }

    public function test_categories_are_counted_when_asked_for(): void
    {
        [, $out] = $this->profileOf(['-', '--variable=Apiary', '--json']);

        self::assertSame(
            [['label' => 'Brook End', 'count' => 2], ['label' => 'Dunmere', 'count' => 2]],
            json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0]['labels'],
        );
    }

    public function test_every_option_of_the_basis_reaches_the_figures(): void
    {
        // By hand: 2 × 10, 3 × 20, 0.5 × 40 is 5.5 values that add up to 100.
        $file = "Size,Jars,Kind\n10,2,a\n20,3,b\n40,0.5,b\n50,-1,b\n60,,b\n";
        [$code, $out, $error] = $this->profileOf(['-', '--variable=Size', '--counts=Jars', '--where=Size < 55', '--percentiles=50,2.5%', '--level=0.9', '--bins=0:15', '--match=18.18', '--json'], $file);
        self::assertSame([0, ''], [$code, $error]);
        $document = json_decode($out, true, 512, JSON_THROW_ON_ERROR);
        $size = $document['variables'][0];
        $figures = $size['groups'][0]['figures'];

        self::assertSame(['Jars', 'Size < 55', 0.9], [$document['basis']['counts'], $document['basis']['where'], $document['basis']['level']]);
        self::assertSame([4, [4, 5]], [$document['rows_in'], $document['rows_left_out']]);
        self::assertSame([5.5, 100.0, 100 / 5.5], [$figures['n'], $figures['sum'], $figures['mean']]);
        self::assertSame(['50' => 20.0, '2.5' => 10.0], array_replace(['50' => 0, '2.5' => 0], $figures['percentiles']));
        self::assertEquals(['start' => 0, 'width' => 15, 'closed' => 'left', 'counts' => [2, 3, 0.5], 'below' => 0, 'above' => 0], $size['histogram']);
        self::assertSame(['mean', []], [$size['match'][0]['figure'], $size['match'][0]['differences']]);
    }

    public function test_classes_with_counts_come_from_labels_or_from_two_columns(): void
    {
        $classes = static fn(string $out): array => json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0];
        [$code, $labels] = $this->profileOf(['-', '--classes=c', '--counts=f', '--percentiles=50', '--json'], "c,f\n10-14,2.5\n15-19,8.5\n20+,2\n");
        [, $columns] = $this->profileOf(['-', '--low=from', '--high=to', '--counts=f', '--percentiles=50', '--json'], "from,to,f\n10,14,2.5\n15,19,8.5\n20,,2\n");

        self::assertSame(0, $code);
        self::assertSame(['rounded', 218.5 / 13, [1]], [$classes($labels)['limits'], $classes($labels)['groups'][0]['figures']['mean'], $classes($labels)['groups'][0]['figures']['modal_class']]);
        self::assertSame($classes($labels)['groups'][0]['figures'], $classes($columns)['groups'][0]['figures']);
        [, $words] = $this->profileOf(['-', '--classes=c', '--counts=f', '--limits=completed'], "c,f\n10-14,2.5\n15-19,8.5\n20+,2\n");
        self::assertStringContainsString('20+ (open, width assumed)', $words);
        self::assertStringContainsString('Class limits are completed units.', $words);
    }

    public function test_each_group_of_classes_may_have_a_column_of_counts_and_open_ends_a_width(): void
    {
        [$code, $out, $error] = $this->profileOf(['-', '--classes=c', '--counts=North', '--counts=South (thousands)', '--amend=width2:10', '--json'], "c,North,South (thousands)\n10-14,2,1\n15-19,8,0\n20+,0,1\n");
        self::assertSame([0, ''], [$code, $error]);
        $groups = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0]['groups'];

        // By hand: 12 × 3 + 17 × 8 + 24.5 over 12; 12 × 2 + 17 × 8 over 10; 12 + 24.5 over 2.
        self::assertSame([null, 'North', 'South (thousands)'], array_column($groups, 'group'));
        self::assertSame([196.5 / 12, 16.0, 18.25], array_map(static fn(array $group): float => $group['figures']['mean'], $groups));
        [, $words] = $this->profileOf(['-', '--classes=c', '--counts=North', '--counts=South', '--amend=width2:10'], "c,North,South\n10-14,2,1\n15-19,8,0\n20+,0,1\n");
        self::assertStringContainsString('Counts of a group each are in North, South. Changed by hand: “20+” 10 wide.', $words);
    }

    public function test_what_a_number_gives_from_its_classes_alone_stands_beside_its_rows(): void
    {
        [, $out] = $this->profileOf(['-', '--variable=x', '--bins=0:10', '--json'], "x\n1\n2\n12\n");
        // By hand: 5, 5 and 15.
        self::assertSame(25 / 3, json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0]['from_classes']['mean']);
        [, $words] = $this->profileOf(['-', '--variable=x', '--bins=0:10'], "x\n1\n2\n12\n");
        self::assertMatchesRegularExpression('/0 to under 10 +2\s/', $words);
        self::assertMatchesRegularExpression('/mean +5\.0 +8\.3 +3\.3/', $words);
    }

    public function test_two_splits_make_groups_within_groups(): void
    {
        [, $out] = $this->profileOf(['-', '--variable=x', '--by=g', '--by=h', '--json'], "x,g,h\n1.5,a,p\n2,a,q\n3,b,p\n4,,p\n5,a,p\n");
        $groups = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0]['groups'];

        self::assertSame([null, ['a', 'p'], ['a', 'q'], ['b', 'p'], [null, 'p']], array_column($groups, 'group'));
        self::assertSame([15.5, 6.5, 2.0, 3.0, 4.0], array_map(static fn(array $group): float => $group['figures']['sum'], $groups));
    }

    public function test_a_working_is_written_in_words(): void
    {
        [, $out] = $this->profileOf(['-', '--variable=x', '--working=variance'], "x\n1\n2\n6\n");

        self::assertStringContainsString('s² = (Σ(x − x̄)²) / (n − 1)', $out);
        self::assertStringContainsString('s² = (14) / (2) = 7', $out);
        self::assertStringContainsString('a population: 4.7', $out);
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function mistakes(): iterable
    {
        yield 'no such file' => [['nowhere.csv'], 'There is no file "nowhere.csv" that can be read. Check the path, or use - for standard input.'];
        yield 'no such variable' => [['-', '--variable=Wax'], 'The file has no variable "Wax". It has: Apiary, Honey.'];
        yield 'counts that are no numbers' => [['-', '--counts=Apiary'], '"Apiary" cannot say how often a row counts: it is category. Choose a number.'];
        yield 'only one limit' => [['-', '--low=Honey'], 'Classes in two columns need both --low and --high.'];
        yield 'classes from a number' => [['-', '--classes=Honey'], '"Honey" has no classes: it was read as number.'];
        yield 'three splits' => [['-', '--by=Apiary', '--by=Honey', '--by=Apiary'], 'Rows can be split by one or two variables; give --by once or twice.'];
        yield 'a percentile that may be a fraction' => [['-', '--percentiles=0.15'], '0.15 can mean two things: write 15 for the 15th percentile, or 0.15% for 0.15 percent.'];
        yield 'no percentile' => [['-', '--percentiles=101'], '"101" is no percentile: give numbers from 0 to 100, with up to 6 decimals.'];
        yield 'no such figure' => [['-', '--figures=mean,avg'], 'There is no figure "avg".'];
        yield 'no level' => [['-', '--level=95'], 'A confidence level lies between 0.5 and 0.999, such as 0.95, not "95".'];
        yield 'classes without a width' => [['-', '--bins=5'], '"5" makes no classes: write start:width such as 0:2.5, edges such as 0,5,10,20, or sturges, scott or freedman-diaconis.'];
        yield 'a condition with a mistake' => [['-', '--where=Hony > 3'], 'There is no variable “Hony”. Did you mean “Honey”?'];
        yield 'a stated figure that is none' => [['-', '--match=about 12'], '"about 12" is no number. Write it as you were given it, such as 12.40.'];
        yield 'unknown rule' => [['-', '--quartiles=tukey'], '--quartiles=tukey is not known. Use one of: halves-excluded, halves-included, hf1, hf2, hf3, hf4, hf5, hf6, hf7, hf8, hf9.'];
        yield 'unknown option' => [['-', '--frobnicate'], 'The "--frobnicate" option does not exist.'];
        yield 'no file named' => [[], 'Not enough arguments (missing: "file").'];
    }

    /** @param list<string> $arguments */
    #[DataProvider('mistakes')]
    public function test_a_mistake_ends_with_two_and_one_sentence_on_standard_error(array $arguments, string $sentence): void
    {
        self::assertSame([2, '', $sentence . "\n"], $this->profileOf($arguments));
    }

    public function test_a_file_that_is_no_table_ends_with_two(): void
    {
        [$code, , $error] = $this->profileOf(['-'], '');

        self::assertSame(2, $code);
        self::assertStringStartsWith('The file is empty.', $error);
    }

    /**
     * @param list<string> $arguments
     *
     * @return array{int, string, string} exit code, standard output and standard error
     */
    private function profileOf(array $arguments, string $input = self::FILE): array
    {
        return self::command('tally:profile', $arguments, $input);
    }
}
