<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Drawing\MicroScene;
use App\Store\ProfileAnswer;
use App\Store\VariableSheet;
use Illuminate\Http\Request;
use RowTally\Core\Columns\DateEnds;
use RowTally\Core\Figures\Statistic;

/** @property ProfileAnswer $resource */
final class OverviewResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $question = $this->resource->question;

        return [
            ...ProfileResource::head($this->resource),
            'figures' => array_map(static fn(Statistic $statistic): array => FigureRows::names($statistic, $question), $question->statistics),
            'lines' => array_map($this->line(...), $this->resource->sheets),
        ];
    }

    /** @return array{first: string, last: string, span: string}|null */
    public static function dates(VariableSheet $sheet): ?array
    {
        return $sheet->dates === null ? null : [...$sheet->dates, 'span' => DateEnds::span($sheet->dates['first'], $sheet->dates['last'])];
    }

    /** @return array<string, mixed> */
    private function line(VariableSheet $sheet): array
    {
        $variable = $sheet->variable;
        $frequencies = $sheet->frequencies;
        $commonest = $frequencies?->commonest();

        return [
            'variable' => $variable->key,
            'name' => $variable->name,
            'type' => $variable->type->value,
            'unit' => $variable->unit,
            'description' => $variable->description,
            'missing' => $variable->missing,
            'micro' => MicroScene::of($variable->microCounts())->toArray(),
            'values' => array_column(FigureRows::of($sheet, $this->resource->question), 'values'),
            'labels' => $frequencies === null ? null : [
                'n' => $frequencies->total(0),
                'distinct' => count(array_filter($frequencies->counts[0], static fn(int $count): bool => $count > 0)),
                'commonest' => $commonest === null ? null : [
                    'label' => $frequencies->labels[$commonest],
                    'count' => $frequencies->counts[0][$commonest],
                    'percent' => $frequencies->percentOfPresent(0, $commonest),
                ],
            ],
            'dates' => self::dates($sheet),
        ];
    }
}
