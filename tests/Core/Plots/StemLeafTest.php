<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Plots\StemLeaf;
use RowTally\Core\Values\Observations;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

final class StemLeafTest extends TestCase
{
    use TestTrait;

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'stemLeafCases')]
    public function test_lines_are_those_of_the_reference(array $case): void
    {
        $exponent = (int) round(log10($case['input']['leaf_unit']));
        $display = StemLeaf::of(new Observations(ReferenceCases::values($case['input']['values']), 0), new Basis(), $exponent, $case['input']['lines_per_stem']);

        self::assertSame($case['expected']['rows'], array_map(static fn(array $line): array => [
            'stem' => $line['stem'],
            'leaves' => implode(' ', self::digits($line)),
            'count' => $line['count'],
            'digits' => $line['digits'],
        ], $display->lines));
    }

    public function test_leaves_rebuild_the_data_at_the_precision_of_a_leaf(): void
    {
        $this->forAll(Generators::choose(1, 1 << 30))->then(static function (int $seed): void {
            mt_srand($seed);
            $values = array_map(static fn(): int => mt_rand(-4000, 9000), range(1, mt_rand(1, 80)));
            $display = StemLeaf::of(new Observations(ValueCounts::ofUnorderedIntegers($values, 1), 0), new Basis());
            $unit = (float) (string) $display->leafUnit;
            $rebuilt = [];
            foreach ($display->lines as $line) {
                foreach (self::digits($line) as $digit) {
                    $sign = $line['stem'][0] === '-' ? -1 : 1;
                    $rebuilt[] = $sign * (10 * (int) ltrim($line['stem'], '-') + $digit);
                }
            }
            $expected = array_map(static fn(int $value): int => (int) ($value / 10 / $unit), $values);
            sort($expected);
            sort($rebuilt);

            self::assertSame($expected, $rebuilt);
            self::assertLessThanOrEqual(StemLeaf::MOST_LINES, count($display->lines));
        });
    }

    public function test_depths_count_from_the_nearer_end(): void
    {
        $display = StemLeaf::of(new Observations(Numbers::of('10', '11', '21', '22', '23', '31', '40'), 0), new Basis(), 0);

        self::assertSame([2, 3, 2, 1], array_column($display->lines, 'depth'));
        self::assertSame([false, true, false, false], array_column($display->lines, 'holdsMedian'));
    }

    public function test_values_beyond_the_outer_fences_stand_apart_when_wanted(): void
    {
        $observations = new Observations(Numbers::of('1', '2', '3', '4', '5', '6', '7', '900', '-800'), 0);
        $display = StemLeaf::of($observations, new Basis(), apart: true);

        self::assertSame([['-800'], ['900']], [array_map(static fn(array $entry): string => (string) $entry['value'], $display->low), array_map(static fn(array $entry): string => (string) $entry['value'], $display->high)]);
        self::assertSame(7, array_sum(array_column($display->lines, 'count')));
        self::assertSame([], StemLeaf::of($observations, new Basis())->low);
    }

    public function test_of_many_values_a_leaf_stands_for_several_and_none_or_equal_ones_are_no_trouble(): void
    {
        self::assertSame(3, StemLeaf::of(new Observations(ValueCounts::ofUnorderedIntegers(range(1, 2500), 0), 0), new Basis())->perLeaf);
        self::assertSame([], StemLeaf::of(new Observations(Numbers::of(''), 1), new Basis())->lines);
        self::assertSame(1, count(StemLeaf::of(new Observations(Numbers::of('7', '7'), 0), new Basis())->lines));
        self::assertSame(1, count(StemLeaf::of(new Observations(Numbers::of('0', '0'), 0), new Basis())->lines));
    }

    /**
     * @param array{leaves: list<array{digit: int, count: int}>} $line
     *
     * @return list<int>
     */
    private static function digits(array $line): array
    {
        return array_merge(...array_map(static fn(array $leaf): array => array_fill(0, $leaf['count'], $leaf['digit']), $line['leaves']));
    }
}
