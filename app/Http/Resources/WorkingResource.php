<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Store\Question;
use Illuminate\Http\Request;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Figures\Working;

/** @property Working $resource */
final class WorkingResource extends PlainResource
{
    public function __construct(Working $working, private readonly Statistic $statistic, private readonly Question $question)
    {
        parent::__construct($working);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $working = $this->resource;
        $symbol = $this->statistic->symbol($this->question->basis->takenAs);

        return [
            ...FigureRows::names($this->statistic, $this->question),
            'figure' => FigureRows::figure($working->figure, $working->text),
            'definition' => $working->steps?->definition,
            'lines' => $working->steps->lines ?? [],
            'source' => $working->steps?->source,
            'order' => $working->order,
            'others' => $working->others,
            'plain' => $working->plainText($this->statistic->label() . ($symbol === '' ? '' : " {$symbol}")),
        ];
    }
}
