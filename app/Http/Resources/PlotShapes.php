<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Brick\Math\BigDecimal;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Plots\StemLeaf;
use RowTally\Core\Values\Exact;

/** The geometry of the pictures beside the stack on the wire: what the page draws, and the server for a report. */
final class PlotShapes
{
    /**
     * @param non-empty-list<StemLeaf> $displays overall, then each group
     *
     * @return array<string, mixed>
     */
    public static function stems(array $displays): array
    {
        return [
            'leaf_unit' => Exact::plainDecimal($displays[0]->leafUnit),
            'lines_per_stem' => $displays[0]->linesPerStem,
            'columns' => array_map(static fn(StemLeaf $display): array => [
                'lines' => array_map(static fn(array $line): array => ['stem' => $line['stem'], 'digits' => $line['digits'], 'leaves' => $line['leaves'], 'count' => $line['count'], 'depth' => $line['depth'], 'holds_median' => $line['holdsMedian']], $display->lines),
                'low' => self::ends($display->low),
                'high' => self::ends($display->high),
                'per_leaf' => $display->perLeaf,
            ], $displays),
        ];
    }

    /**
     * @param list<int> $exponents
     *
     * @return list<array{exponent: int, text: string}>
     */
    public static function leafUnits(array $exponents): array
    {
        return array_map(static fn(int $exponent): array => ['exponent' => $exponent, 'text' => Exact::plainDecimal(StemLeaf::unit($exponent))], $exponents);
    }

    /**
     * @param list<array{value: BigDecimal, count: int}> $entries
     *
     * @return list<array{text: string, count: int}>
     */
    private static function ends(array $entries): array
    {
        return array_map(static fn(array $entry): array => ['text' => DecimalText::plain($entry['value']), 'count' => $entry['count']], $entries);
    }
}
