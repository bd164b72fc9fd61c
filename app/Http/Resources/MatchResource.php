<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use RowTally\Core\Match\Explanation;

/** @property array{read: string|null, matches: list<array{explanation: Explanation, text: string|null}>, nearest: list<array{explanation: Explanation, text: string|null}>} $resource */
final class MatchResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'read' => $this->resource['read'],
            'matches' => array_map(self::explanation(...), $this->resource['matches']),
            'nearest' => array_map(self::explanation(...), $this->resource['nearest']),
        ];
    }

    /**
     * @param array{explanation: Explanation, text: string|null} $found
     *
     * @return array<string, mixed>
     */
    private static function explanation(array $found): array
    {
        $explanation = $found['explanation'];
        $steps = $explanation->statistic->steps($explanation->observations, $explanation->basis);

        return [
            'figure' => $explanation->statistic->key(),
            'label' => $explanation->statistic->label(),
            'symbol' => $explanation->statistic->symbol($explanation->basis->takenAs),
            'differences' => $explanation->differences,
            'value' => $explanation->value,
            'text' => ($explanation->isTurned && $found['text'] !== null) ? '−(' . $found['text'] . ')' : $found['text'],
            'definition' => $steps->definition,
            'lines' => $steps->lines,
        ];
    }
}
