<?php

declare(strict_types=1);

namespace App\Report\Record;

use App\Models\Dataset;
use App\Models\Import;
use App\Models\Variable;
use App\Report\Document\ReportDocument;
use App\Report\MakeMethod;
use App\Report\Paper;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;

/** The record of an edition: what it asked, of which data, and every figure that it states. By it the report can be checked. */
final readonly class BuildRecord
{
    public const FORMAT = 'report-record';
    public const VERSION = 1;

    /**
     * @param string|null               $rows      SHA-256 of the rows as CSV, where they go along
     * @param array<string, mixed>|null $decisions how the source was read; null = as its import says
     *
     * @return array<string, mixed>
     */
    public function of(Dataset $dataset, ReportDocument $document, Paper $paper, int $number, string $note, string $at, ?string $rows, ?array $decisions = null): array
    {
        $figures = [];
        foreach ($paper->blocks as $block) {
            foreach ($block->stated() as $figure) {
                $figures[] = ['block' => $block->id, 'number' => $block->number, ...$figure->toArray()];
            }
        }
        $aside = $dataset->aside();
        $import = $decisions === null ? Import::query()->where('dataset_id', $dataset->id)->first() : null;

        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'made_with' => MakeMethod::MADE_WITH,
            'report' => ['title' => $document->title, 'edition' => $number, 'note' => $note, 'made_at' => $at],
            'data' => [
                'title' => $dataset->title,
                'revision' => $dataset->revision,
                'rows' => $dataset->rows,
                'set_aside' => $dataset->set_aside,
                'source' => $dataset->source,
                'source_bytes' => $dataset->source_bytes,
                'source_sha256' => $dataset->source_sha256,
                'source_decisions' => $import instanceof Import ? $import->decisions : $decisions,
                'rows_sha256' => $rows,
                'row_word' => [$dataset->row_one, $dataset->row_many],
                'variables' => array_map(self::variable(...), [...array_values($dataset->variables->all()), ...($aside === null ? [] : [$aside])]),
            ],
            'numbers' => NumberMarks::inForce()->toWords(),
            'document' => $document->toArray(),
            'figures' => $figures,
        ];
    }

    /** @return array<string, mixed> */
    private static function variable(Variable $variable): array
    {
        return [
            'key' => $variable->key,
            'name' => $variable->name,
            'unit' => $variable->unit,
            'type' => $variable->type->value,
            'decimals' => $variable->decimals,
            'shown_decimals' => $variable->shown_decimals,
            'labels' => $variable->type === VariableType::Category ? $variable->dictionary : null,
            'label_mark' => $variable->label_mark,
            'formula' => $variable->made['formula'] ?? null,
            'role' => $variable->role,
        ];
    }
}
