<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Store\Changes\AddRows;
use App\Store\Changes\AddVariable;
use App\Store\Changes\ArrangeLabels;
use App\Store\Changes\Change;
use App\Store\Changes\DeleteRows;
use App\Store\Changes\DeleteVariable;
use App\Store\Changes\DescribeVariable;
use App\Store\Changes\EditCells;
use App\Store\Changes\FollowInputs;
use App\Store\Changes\FreezeVariable;
use App\Store\Changes\History;
use App\Store\Changes\MakeVariable;
use App\Store\Changes\RecodeVariable;
use App\Store\Changes\RestoreRow;
use App\Store\Changes\RestoreVariable;
use App\Store\Changes\RetypeVariable;
use App\Store\Changes\UndoRedo;
use App\Store\Tallies;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use RowTally\Core\Parsing\VariableType;

/** One change of a dataset, on top of the revision that the person saw: `kind` and the words that this kind takes. */
final class ChangeRequest extends FormRequest
{
    private const KINDS = ['edit-cells', 'add-rows', 'delete-rows', 'restore-row', 'add-variable', 'delete-variable', 'restore-variable', 'describe-variable',
        'retype-variable', 'arrange-labels', 'recode-variable', 'make-variable', 'freeze-variable', 'undo', 'redo'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $kind = $this->string('kind')->toString();
        $variable = ['required', 'string', 'max:80'];
        $types = ['required', 'string', Rule::enum(VariableType::class)];

        return [
            'revision' => ['required', 'integer', 'min:1'],
            'kind' => ['required', 'string', Rule::in(self::KINDS)],
            ...match ($kind) {
                'edit-cells' => [
                    'edits' => ['required', 'array', 'min:1', 'max:' . EditCells::MOST_CELLS],
                    'edits.*.row' => ['required', 'integer', 'min:1'],
                    'edits.*.variable' => $variable,
                    'edits.*.text' => ['present', 'nullable', 'string', 'max:10000'],
                    'anyway' => ['nullable', 'boolean'],
                ],
                'add-rows' => [
                    'rows' => ['required', 'array', 'min:1', 'max:' . AddRows::MOST_ROWS],
                    'rows.*' => ['array'],
                    'rows.*.*' => ['nullable', 'string', 'max:10000'],
                    'anyway' => ['nullable', 'boolean'],
                ],
                'delete-rows' => ['rows' => ['required', 'array', 'min:1', 'max:' . DeleteRows::MOST_ROWS], 'rows.*' => ['integer', 'min:1']],
                'restore-row' => ['deleted_row' => ['required', 'integer']],
                'add-variable' => ['name' => ['required', 'string', 'max:200'], 'type' => $types, 'unit' => ['nullable', 'string', 'max:32']],
                'delete-variable', 'restore-variable', 'freeze-variable' => ['variable' => $variable],
                'describe-variable' => [
                    'variable' => $variable,
                    'name' => ['sometimes', 'string', 'max:200'],
                    'unit' => ['sometimes', 'nullable', 'string', 'max:32'],
                    'label' => ['sometimes', 'nullable', 'string', 'max:200'],
                    'description' => ['sometimes', 'nullable', 'string', 'max:5000'],
                    'shown_decimals' => ['sometimes', 'nullable', 'integer', 'min:0', 'max:10'],
                    'missing_marks' => ['sometimes', 'array', 'max:50'],
                    'missing_marks.*' => ['string', 'max:60'],
                ],
                'retype-variable' => ['variable' => $variable, 'type' => $types],
                'arrange-labels' => [
                    'variable' => $variable,
                    'order' => ['required', 'array', 'max:255'],
                    'order.*' => ['string', 'max:1000'],
                    'merged' => ['nullable', 'array', 'max:255'],
                    'merged.*.from' => ['required', 'string', 'max:1000'],
                    'merged.*.to' => ['required', 'string', 'max:1000'],
                ],
                'recode-variable' => [
                    'variable' => $variable,
                    'name' => ['required', 'string', 'max:200'],
                    'labels' => ['required', 'array', 'max:255'],
                    'labels.*.from' => ['required', 'string', 'max:1000'],
                    'labels.*.to' => ['present', 'nullable', 'string', 'max:1000'],
                ],
                'make-variable' => [
                    'name' => ['required', 'string', 'max:200'],
                    'formula' => ['required', 'string', 'max:5000'],
                    'unit' => ['nullable', 'string', 'max:32'],
                    'description' => ['nullable', 'string', 'max:5000'],
                ],
                default => [],
            },
        ];
    }

    /** @return array<string, string> what a person can run into: what it is, and what to do instead */
    public function messages(): array
    {
        $isDeleting = $this->string('kind')->toString() === 'delete-rows';

        return [
            'edits.max' => 'At most ' . number_format(EditCells::MOST_CELLS) . ' cells can be changed at once. Paste them in parts, or bring the table in as a dataset of its own.',
            'rows.max' => $isDeleting
                ? 'At most ' . number_format(DeleteRows::MOST_ROWS) . ' rows can be deleted at once. Select fewer, or take out those that are to stay and bring them in as a dataset.'
                : 'At most ' . number_format(AddRows::MOST_ROWS) . ' rows can be added at once. Add them in parts, or bring the table in as a dataset of its own.',
            'edits.*.text.max' => 'A cell holds at most 10,000 characters, and one of these has more. Shorten it.',
            'rows.*.*.max' => 'A cell holds at most 10,000 characters, and one of these has more. Shorten it.',
            'name.required' => 'Give the variable a name.',
            'name.max' => 'A name has at most 200 characters. Give it a shorter one; the description has room for the rest.',
            'unit.max' => 'A unit has at most 32 characters.',
            'label.max' => 'A label for plots and tables has at most 200 characters.',
            'description.max' => 'A description has at most 5,000 characters. Shorten it.',
            'shown_decimals' => 'Shown decimals are a whole number from 0 to 10, or nothing for those of the data.',
            'missing_marks.max' => 'At most 50 texts can stand for no value.',
            'missing_marks.*.max' => 'A text that stands for no value has at most 60 characters.',
            'order.max' => 'A category has at most 255 labels.',
            'order.*.max' => 'A label has at most 1,000 characters. Shorten it.',
            'merged.*.to.required' => 'Say which label it becomes.',
            'merged.*.to.max' => 'A label has at most 1,000 characters. Shorten it.',
            'labels.max' => 'At most 255 labels can be grouped at once.',
            'labels.*.to.max' => 'A label has at most 1,000 characters. Shorten it.',
            ...FormulaRequest::SENTENCES,
        ];
    }

    public function revision(): int
    {
        return $this->integer('revision');
    }

    public function change(Dataset $dataset, Tallies $tallies, FollowInputs $followInputs): Change
    {
        /** @var array{edits: list<array{row: int, variable: string, text: string|null}>, rows: list<mixed>, order: list<string>, merged?: list<array{from: string, to: string}>|null, labels: list<array{from: string, to: string|null}>} $words */
        $words = $this->validated();
        $variable = $this->string('variable')->toString();
        $name = $this->string('name')->toString();
        $text = fn(string $key): ?string => $this->string($key)->toString() === '' ? null : $this->string($key)->toString();

        return match ($this->string('kind')->toString()) {
            'edit-cells' => new EditCells(array_map(static fn(array $edit): array => ['row' => $edit['row'], 'variable' => $edit['variable'], 'text' => $edit['text'] ?? ''], $words['edits']), $this->boolean('anyway')),
            'add-rows' => new AddRows(array_map(self::typedRow(...), $words['rows']), $this->boolean('anyway')),
            'delete-rows' => new DeleteRows(array_map(static fn(mixed $row): int => is_numeric($row) ? (int) $row : 0, $words['rows'])),
            'restore-row' => new RestoreRow($this->integer('deleted_row')),
            'add-variable' => new AddVariable($name, $this->enum('type', VariableType::class) ?? VariableType::Number, $text('unit')),
            'delete-variable' => new DeleteVariable($variable),
            'restore-variable' => new RestoreVariable($variable),
            'freeze-variable' => new FreezeVariable($variable),
            'describe-variable' => new DescribeVariable($variable, $this->described()),
            'retype-variable' => new RetypeVariable($variable, $this->enum('type', VariableType::class) ?? VariableType::Number),
            'arrange-labels' => new ArrangeLabels($variable, $words['order'], array_column($words['merged'] ?? [], 'to', 'from')),
            'recode-variable' => new RecodeVariable($variable, $name, array_map(static fn(?string $to): string => $to ?? '', array_column($words['labels'], 'to', 'from'))),
            'make-variable' => new MakeVariable($followInputs, $tallies, $name, $this->string('formula')->toString(), $text('unit'), $text('description')),
            'redo' => UndoRedo::redo(History::of($dataset)),
            default => UndoRedo::undo(History::of($dataset)),
        };
    }

    /** @return array<string, string> */
    private static function typedRow(mixed $row): array
    {
        $typed = [];
        foreach (is_array($row) ? $row : [] as $key => $text) {
            $typed[(string) $key] = is_string($text) ? $text : '';
        }

        return $typed;
    }

    /** @return array{name?: string, unit?: string|null, label?: string|null, description?: string|null, shown_decimals?: int|null, missing_marks?: list<string>} */
    private function described(): array
    {
        /** @var array{name?: string, unit?: string|null, label?: string|null, description?: string|null, shown_decimals?: int|null, missing_marks?: list<string>} $fields */
        $fields = array_intersect_key((array) $this->validated(), array_flip(['name', 'unit', 'label', 'description', 'shown_decimals', 'missing_marks']));

        // A rule passes what is blank; of a number that is none.
        if (array_key_exists('shown_decimals', $fields)) {
            $decimals = $this->input('shown_decimals');
            $fields['shown_decimals'] = is_numeric($decimals) ? (int) $decimals : null;
        }

        return $fields;
    }
}
