<?php

declare(strict_types=1);

namespace Tests\App\Console;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The command as a person runs it: its own process, without database, server or settings. */
final class ProfileCommandTest extends TestCase
{
    private const FILE = "Apiary,Honey (kg)\nBrook End,21.05\nDunmere,18.5\nBrook End,21.07\n,30\nDunmere,n/a\n";

    public function test_json_is_one_document_with_full_precision(): void
    {
        [$code, $out, $error] = $this->profileOf(['-', '--variable=Honey', '--by=Apiary', '--as=population', '--quartiles=hf7', '--json']);
        self::assertSame([0, ''], [$code, $error]);
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
        self::assertSame(['sd' => 'needs at least 2 values', 'variance' => 'needs at least 2 values'], $group['undefined']);
    }

    public function test_outliers_are_listed_as_often_as_they_occur(): void
    {
        [, $out] = $this->profileOf(['-', '--json'], "x\n1\n2\n3\n4\n5\n6\n7\n99\n99\n-80\n");
        $figures = json_decode($out, true, 512, JSON_THROW_ON_ERROR)['variables'][0]['groups'][0]['figures'];

        self::assertSame([-80.0, 99.0, 99.0], array_map(floatval(...), $figures['outliers']));
        self::assertSame([-5.5, 14.5], [$figures['lower_fence'], $figures['upper_fence']]);
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

    /** @return iterable<string, array{list<string>, string}> */
    public static function mistakes(): iterable
    {
        yield 'no such file' => [['nowhere.csv'], 'There is no file "nowhere.csv" that can be read. Check the path, or use - for standard input.'];
        yield 'no such variable' => [['-', '--variable=Wax'], 'The file has no variable "Wax". It has: Apiary, Honey.'];
        yield 'split by a number' => [['-', '--by=Honey'], '"Honey" makes no groups: it was read as number. Split by a category.'];
        yield 'two splits' => [['-', '--by=Apiary', '--by=Honey'], 'Rows can be split by one category at a time; give --by once.'];
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
     * @return array{int, string, string}
     */
    private function profileOf(array $arguments, string $input = self::FILE): array
    {
        $process = proc_open(
            [PHP_BINARY, dirname(__DIR__, 3) . '/artisan', 'tally:profile', ...$arguments],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            null,
            ['ROWTALLY_INSTANCE' => 'none', 'PATH' => (string) getenv('PATH')],
        );
        self::assertIsResource($process);
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $out = (string) stream_get_contents($pipes[1]);
        $error = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $out, $error];
    }
}
