<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Store\Question;
use App\Store\VariableSheet;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Values\Figure;

/** The figures of one variable on the wire. */
final class FigureRows
{
    private const MODES_SENT = 20;

    /** @return list<array<string, mixed>> */
    public static function of(VariableSheet $sheet, Question $question): array
    {
        $display = new FigureText($question->basis, $sheet->variable->shown_decimals ?? $sheet->variable->decimals, $sheet->countDecimals);

        return array_map(static fn(array $row): array => [
            ...self::names($row['statistic'], $question),
            'values' => array_map(static fn(Figure $figure): array => self::figure($figure, $display->of($row['statistic'], $figure)), $row['figures']),
        ], $sheet->rows);
    }

    /** @return array{key: string, label: string, symbol: string, shown_as: string} */
    public static function names(Statistic $statistic, Question $question): array
    {
        return [
            'key' => $statistic->key(),
            'label' => $statistic->label(),
            'symbol' => $statistic->symbol($question->basis->takenAs),
            'shown_as' => $statistic->shownAs()->value,
        ];
    }

    /** @return array{value: int|float|list<float>|null, text: string|null, reason: string|null} */
    public static function figure(Figure $figure, ?string $text): array
    {
        return [
            'value' => is_array($figure->value) ? array_slice($figure->value, 0, self::MODES_SENT) : $figure->value,
            'text' => $text,
            'reason' => $figure->reason?->value,
        ];
    }
}
