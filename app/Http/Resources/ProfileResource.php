<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Store\ProfileAnswer;
use App\Store\VariableSheet;
use Illuminate\Http\Request;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Parsing\VariableType;

/** @property ProfileAnswer $resource */
final class ProfileResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [...self::head($this->resource), 'sheets' => array_map($this->sheet(...), $this->resource->sheets)];
    }

    /** @return array<string, mixed> what profile and overview have in common */
    public static function head(ProfileAnswer $answer): array
    {
        return [
            'revision' => $answer->dataset->revision,
            'basis' => $answer->question->basis->toArray(),
            'rows' => $answer->rows,
            'by' => $answer->question->by,
            'groups' => array_map(static fn(array $labels): array => ['labels' => $labels], $answer->groups),
            'left_out' => ['total' => count($answer->leftOut), 'first' => array_slice($answer->leftOut, 0, 20)],
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
            'figures' => FigureRows::of($sheet, $this->resource->question),
            // What the classes of the frequency table are cut by.
            'class_edges' => $sheet->bars?->classes->edges(),
            'frequencies' => FrequencyRows::of($sheet->frequencies),
            'reads_as_classes' => $sheet->variable->type === VariableType::Category && $sheet->frequencies !== null && GroupedProfile::readsAsClasses($sheet->frequencies),
            'class_costs' => $sheet->classCosts === null ? null : array_map(fn(ClassCost $cost): array => $this->classCost($cost, $sheet), $sheet->classCosts),
            'dates' => OverviewResource::dates($sheet),
        ];
    }

    /** @return array<string, string> */
    private function classCost(ClassCost $cost, VariableSheet $sheet): array
    {
        $display = new FigureText($this->resource->question->basis, $sheet->variable->shown_decimals ?? $sheet->variable->decimals);
        $difference = $display->inUnit($cost->difference());

        return [
            'key' => $cost->key,
            'label' => $cost->label,
            'from_classes' => $display->inUnit($cost->fromClasses->number() ?? 0.0),
            'difference' => $cost->difference() > 0 ? "+{$difference}" : $difference,
        ];
    }
}
