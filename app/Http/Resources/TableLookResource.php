<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Intake\RecognisedVariable;
use App\Intake\TableLook;
use App\Intake\TwoReadings;
use App\Intake\UnreadKind;
use Illuminate\Http\Request;

/** @property TableLook $resource */
final class TableLookResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $look = $this->resource;
        $table = $look->table;
        $dialect = $look->file->dialect;

        return [
            'format' => $table->format->value,
            'sheets' => $table->sheets,
            'sheet' => $table->sheet,
            'range' => $look->decided->range,
            'encoding' => $table->encoding,
            'delimiter' => $dialect->delimiter,
            'quote' => $dialect->quote,
            'comment' => $dialect->comment,
            'first_line' => $dialect->firstLine,
            'header' => $dialect->hasHeader,
            'titles' => $look->file->titles,
            'missing' => $table->decisions->missing,
            'leave_out' => $look->file->leaveOut,
            'shape' => $table->decisions->shape->value,
            'stacked' => $table->decisions->stacked,
            'value_name' => $table->decisions->valueName,
            'row_word' => $look->decided->rowWord,
            'file_columns' => array_map(static fn($name): string => $name->name, $look->file->names),
            'columns' => array_map(static fn(RecognisedVariable $variable): array => [
                'name' => $variable->name,
                'unit' => $variable->unit,
                'type' => $variable->type->value,
                'take' => $variable->isTaken,
                'decimal_mark' => $variable->style->decimalMark,
                'group_mark' => $variable->style->groupMark,
                'affixes' => $variable->style->affixes,
                'date_order' => $variable->dateOrder?->value,
            ], $look->variables),
            'rows' => $look->rows,
            'rows_looked_at' => $look->rowsLookedAt,
            'is_whole' => $look->isWhole,
            'unread_cells' => $look->unreadCells,
            'unread' => array_map(static fn(UnreadKind $kind): array => [
                'column' => $kind->column,
                'text' => $kind->text,
                'count' => $kind->count,
                'lines' => $kind->lines,
                'remedies' => $kind->remedies,
            ], $look->unread),
            'in_doubt' => array_map(static fn(TwoReadings $two): array => [
                'column' => $two->column,
                'text' => $two->text,
                'read_as' => $two->readAs,
                'could_be' => $two->couldBe,
                'why' => $two->why,
                'remedies' => $two->remedies,
            ], $look->inDoubt),
            'counts_question' => $look->countsQuestion === null ? null : ['kind' => $look->countsQuestion->kind, 'of' => $look->countsQuestion->of, 'candidates' => $look->countsQuestion->candidates],
            'counts' => $look->decided->counts === false ? -1 : $look->decided->counts,
            'decided' => (object) $look->decided->toArray(),
        ];
    }
}
