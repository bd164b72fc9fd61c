<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Report;
use App\Models\Share;
use App\Models\User;
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
        $dataset = $report->dataset->loadCount('variables');
        $user = $request->user();
        $part = $user instanceof User ? Share::query()->where('user_id', $user->id)->where('report_id', $report->id)->value('id') : null;

        return [
            'id' => $report->id,
            'dataset' => $report->dataset_id,
            'role' => ($user instanceof User ? Share::roleInReport($user, $report) : null) ?? Share::READER,
            'data' => [
                'is_readable' => $user instanceof User && Share::role($user, $dataset) !== null,
                'title' => $dataset->title,
                'revision' => $dataset->revision,
                'size' => $dataset->rowWord()->counted($dataset->rows) . " × {$dataset->variables_count} variables",
                'owner' => $dataset->ownerName(),
            ],
            'share' => is_int($part) ? $part : null,
            'version' => $report->version,
            'can_undo' => EditReport::hasUndo($report),
            'can_redo' => $report->version < $report->last_version,
            'place' => $report->place,
            'numbers' => array_map(static fn(Block $block): array => ['block' => $block->id, 'number' => $numbers[$block->id] ?? null], $document->blocks),
            'document' => $document->toArray(),
        ];
    }
}
