<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Report;
use App\Report\Document\Block;
use App\Report\Document\EditReport;
use App\Report\Document\ReportDocument;
use Illuminate\Http\Request;

/** @property Report $resource */
final class ReportResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $report = $this->resource;
        $document = ReportDocument::ofJson($report->document);
        $numbers = $document->numbers();

        return [
            'id' => $report->id,
            'dataset' => $report->dataset_id,
            'version' => $report->version,
            'can_undo' => EditReport::hasUndo($report),
            'can_redo' => $report->version < $report->last_version,
            'place' => $report->place,
            'numbers' => array_map(static fn(Block $block): array => ['block' => $block->id, 'number' => $numbers[$block->id] ?? null], $document->blocks),
            'document' => $document->toArray(),
        ];
    }
}
