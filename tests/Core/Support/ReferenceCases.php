<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TallyUnderCounts;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\ValueCounts;
use RuntimeException;

/** Reads the cases under tests/reference; what they hold and how they were made is in the README there. */
final class ReferenceCases
{
    /** @return iterable<string, array{array<string, mixed>}> */
    public static function ofKind(string $kind): iterable
    {
        $found = 0;
        foreach (glob(dirname(__DIR__, 2) . '/reference/*.json') ?: [] as $file) {
            // Big numbers must not pass through 14 digits: json_decode keeps every double as it was written.
            $case = json_decode((string) file_get_contents($file), true, 512, JSON_THROW_ON_ERROR);
            if ($case['kind'] === $kind) {
                ++$found;
                yield $case['id'] => [$case];
            }
        }
        if ($found === 0) {
            throw new RuntimeException("There is no reference case of kind {$kind}.");
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function valuesCases(): iterable
    {
        return self::ofKind('values');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wholeCountsCases(): iterable
    {
        foreach (self::ofKind('value_counts') as $id => [$case]) {
            if (array_filter($case['input']['counts'], static fn(mixed $count): bool => is_float($count) && floor($count) !== $count) === []) {
                yield $id => [$case];
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function fractionalCountsCases(): iterable
    {
        $whole = iterator_to_array(self::wholeCountsCases());
        foreach (self::ofKind('value_counts') as $id => $case) {
            if (!isset($whole[$id])) {
                yield $id => $case;
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function groupedCases(): iterable
    {
        return self::ofKind('grouped_rows');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function histogramCases(): iterable
    {
        return self::ofKind('histogram');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function classesCases(): iterable
    {
        return self::ofKind('classes');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function stemLeafCases(): iterable
    {
        return self::ofKind('stem_leaf');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function comparedGroupsCases(): iterable
    {
        return self::ofKind('compared_groups');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function comparedPairsCases(): iterable
    {
        return self::ofKind('compared_pairs');
    }

    /**
     * @param list<int|float|null> $numbers
     * @param list<int|float|null> $counts  rows without a count, or with a negative one, are left out
     */
    public static function expanded(array $numbers, array $counts): ValueCounts
    {
        $all = [];
        foreach ($numbers as $i => $number) {
            $all = [...$all, ...array_fill(0, max(0, (int) $counts[$i]), $number)];
        }

        return self::values($all);
    }

    /**
     * Under counts as they stand, by the same way that a file goes.
     *
     * @param list<int|float|null> $numbers
     * @param list<int|float|null> $counts
     */
    public static function counted(array $numbers, array $counts): Observations
    {
        $text = static fn(int|float|null $number): string => $number === null ? '' : (is_int($number) ? (string) $number : json_encode($number, JSON_THROW_ON_ERROR));
        $values = new NumberColumnBuilder();
        $weights = new NumberColumnBuilder();
        $valueChunk = $values->add(array_map($text, $numbers))->chunk;
        $weightChunk = $weights->add(array_map($text, $counts))->chunk;

        return TallyUnderCounts::byGroup($values->column([$valueChunk]), $weights->column([$weightChunk]), Grouping::none([count($numbers)]))[0];
    }

    /** @param list<int|float|null> $numbers */
    public static function values(array $numbers): ValueCounts
    {
        $texts = array_map(
            static fn(int|float $number): string => is_int($number) ? (string) $number : json_encode($number, JSON_THROW_ON_ERROR),
            array_values(array_filter($numbers, static fn(int|float|null $number): bool => $number !== null)),
        );

        return Numbers::ofTexts($texts);
    }
}
