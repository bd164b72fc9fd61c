<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Variable;
use App\Store\ProfileAnswer;
use App\Store\VariableSheet;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\Figure;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Frequency\Percent;

/** @property ProfileAnswer $resource */
final class ProfileResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $answer = $this->resource;

        return [
            'revision' => $answer->dataset->revision,
            'basis' => $answer->question->basis->toArray(),
            'by' => $answer->question->by,
            'groups' => array_map(static fn(?string $label): array => ['label' => $label], $answer->groups),
            'sheets' => array_map($this->sheet(...), $answer->sheets),
        ];
    }

    /** @return array<string, mixed> */
    private function sheet(VariableSheet $sheet): array
    {
        $variable = $sheet->variable;

        return [
            'variable' => $variable->key,
            'name' => $variable->name,
            'type' => $variable->type->value,
            'unit' => $variable->unit,
            'missing' => $variable->missing,
            'unread' => ['total' => $variable->unread, 'first' => $sheet->unread],
            'figures' => $this->figures($sheet),
            'stack' => $sheet->profile?->stack === null ? null : new StackResource($sheet->profile->stack),
            'labels' => $variable->type === VariableType::Category ? $this->labels($variable) : null,
        ];
    }

    /** @return list<array<string, mixed>> */
    private function figures(VariableSheet $sheet): array
    {
        $basis = $this->resource->question->basis;
        $decimals = $sheet->variable->shown_decimals ?? $sheet->variable->decimals;
        $shown = $decimals === null ? null : $decimals + $basis->extraDecimals;

        return array_map(static fn(array $row): array => [
            'key' => $row['statistic']->key(),
            'label' => $row['statistic']->label(),
            'symbol' => $row['statistic']->symbol($basis->takenAs),
            'shown_as' => $row['statistic']->shownAs()->value,
            'values' => array_map(static fn(Figure $figure): array => [
                'value' => $figure->value,
                'text' => $figure->value === null ? null : DecimalText::of($figure->value, $row['statistic']->shownAs() === ShownAs::Rows ? 0 : $shown),
                'reason' => $figure->reason?->value,
            ], $row['figures']),
        ], $sheet->profile->rows ?? []);
    }

    /** @return list<array{label: string, count: int, percent: string}> */
    private function labels(Variable $variable): array
    {
        $present = array_sum($variable->sketch);

        return array_map(static fn(string $label, int $count): array => [
            'label' => $label,
            'count' => $count,
            'percent' => Percent::text($count, $present),
        ], $variable->dictionary, $variable->sketch);
    }
}
