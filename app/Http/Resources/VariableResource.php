<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Drawing\MicroScene;
use App\Models\Variable;
use Illuminate\Http\Request;
use RowTally\Core\Parsing\VariableType;

/** @property Variable $resource */
final class VariableResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $variable = $this->resource;

        return [
            'key' => $variable->key,
            'name' => $variable->name,
            'type' => $variable->type->value,
            'unit' => $variable->unit,
            'label' => $variable->label,
            'description' => $variable->description,
            'missing_marks' => $variable->missing_marks,
            'made' => $variable->made === null ? null : ['formula' => $variable->made['formula'], 'frozen' => $variable->made['frozen']],
            'decimals' => $variable->decimals,
            'shown_decimals' => $variable->shown_decimals,
            'missing' => $variable->missing,
            'unread' => $variable->unread,
            'micro' => MicroScene::of($variable->microCounts())->toArray(),
            'labels' => $variable->type === VariableType::Category ? $variable->dictionary : null,
        ];
    }
}
