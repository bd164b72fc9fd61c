<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Figures\Mean;
use RowTally\Core\Figures\StandardDeviation;
use Tests\Core\Support\FigureAssertions;
use Tests\Core\Support\ReferenceCases;

final class GroupedFiguresTest extends TestCase
{
    use FigureAssertions;

    /** @param array<string, mixed> $case */
    #[DataProviderExternal(ReferenceCases::class, 'groupedCases')]
    public function test_groups_are_those_of_the_reference_in_order_of_first_appearance(array $case): void
    {
        $numbers = new NumberColumnBuilder();
        $categories = new CategoryColumnBuilder();
        $numberChunk = $numbers->add(array_map(static fn(mixed $value): string => $value === null ? '' : (string) json_encode($value), $case['input']['values']))->chunk;
        $groupChunk = $categories->add(array_map(static fn(?string $label): string => $label ?? '', $case['input']['groups']))->chunk;
        $tallies = TallyColumn::byGroup($numbers->column([$numberChunk]), Grouping::ofCategory([$groupChunk], count($categories->labels())));
        $expected = $case['expected'];

        self::assertSame(array_column($expected['groups'], 'label'), $categories->labels());
        self::assertSame($expected['rows_without_group'], $tallies[0]->n() + $tallies[0]->missing);
        foreach ($expected['groups'] as $i => ['label' => $label, 'rows' => $rows, 'stats' => $stats]) {
            $group = $tallies[$i + 1];
            self::assertSame([$rows, $stats['n'], $stats['missing']], [$group->n() + $group->missing, $group->n(), $group->missing], $label);
            $this->compare($stats['mean'], (new Mean())->of($group, new Basis())->value, $label);
            $this->compare($stats['sd']['sample'], (new StandardDeviation())->of($group, new Basis())->value, $label);
        }
    }

    private function compare(int|float|null $expected, int|float|null $got, string $label): void
    {
        $expected === null ? self::assertNull($got, $label) : self::assertWithinUlps((float) $expected, $got, 0, $label);
    }
}
