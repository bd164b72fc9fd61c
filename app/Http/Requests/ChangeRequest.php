<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Store\Changes\AddRows;
use App\Store\Changes\Change;
use App\Store\Changes\DeleteRows;
use App\Store\Changes\EditCells;
use App\Store\Changes\SetAside;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;

/** One change of a dataset, on top of the revision that the person saw: `kind` and the words that this kind takes. */
final class ChangeRequest extends FormRequest
{
    private const KINDS = ['edit-cells', 'add-rows', 'delete-rows', 'restore-row', 'add-variable', 'delete-variable', 'restore-variable', 'describe-variable',
        'retype-variable', 'arrange-labels', 'recode-variable', 'make-variable', 'freeze-variable', 'set-aside', 'bring-back', 'undo', 'redo'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $kind = $this->kind();
        $variable = ['required', 'string', 'max:80'];
        $types = ['required', 'string', Rule::enum(VariableType::class)];

        return [
            'revision' => ['required', 'integer', 'min:1'],
            'kind' => ['required', 'string', Rule::in(self::KINDS)],
            ...match ($kind) {
                'edit-cells' => [
                    'edits' => ['required', 'array', 'min:1', 'max:' . EditCells::MOST_CELLS, EachOf::edits()],
                    'anyway' => ['nullable', 'boolean'],
                ],
                'add-rows' => [
                    'rows' => ['required', 'array', 'min:1', 'max:' . AddRows::MOST_ROWS, EachOf::typedRows()],
                    'anyway' => ['nullable', 'boolean'],
                ],
                'delete-rows' => ['rows' => ['required', 'array', 'min:1', 'max:' . DeleteRows::MOST_ROWS, EachOf::rowNumbers()]],
                'set-aside' => [
                    'rows' => ['required', 'array', 'min:1', 'max:' . SetAside::MOST_ROWS, EachOf::rowNumbers()],
                    'reason' => ['required', 'string', 'max:' . SetAside::LONGEST_REASON],
                ],
                'bring-back' => ['rows' => ['nullable', 'array', 'min:1', 'max:' . SetAside::MOST_ROWS, EachOf::rowNumbers()]],
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
        $isDeleting = $this->kind() === 'delete-rows';
        $isSettingAside = in_array($this->kind(), ['set-aside', 'bring-back'], true);

        return [
            'edits.max' => 'At most ' . NumberMarks::count(EditCells::MOST_CELLS) . ' cells can be changed at once. Paste them in parts, or bring the table in as a dataset of its own.',
            'rows.max' => $isSettingAside
                ? 'At most ' . NumberMarks::count(SetAside::MOST_ROWS) . ' rows can be set aside at once. Select fewer, or leave them out by a condition.'
                : ($isDeleting
                ? 'At most ' . NumberMarks::count(DeleteRows::MOST_ROWS) . ' rows can be deleted at once. Select fewer, or take out those that are to stay and bring them in as a dataset.'
                : 'At most ' . NumberMarks::count(AddRows::MOST_ROWS) . ' rows can be added at once. Add them in parts, or bring the table in as a dataset of its own.'),
            'reason.required' => 'Say why the rows are set aside: who reads the report will ask.',
            'reason.max' => 'A reason has at most ' . SetAside::LONGEST_REASON . ' characters. Shorten it.',
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

    /** @return array<string, mixed> its kind and words */
    public function words(): array
    {
        /** @var array<string, mixed> $words */
        $words = $this->validated();
        unset($words['revision']);

        return $words;
    }

    /** As it was said; nothing where it is no text. */
    private function kind(): string
    {
        $kind = $this->input('kind');

        return is_string($kind) ? $kind : '';
    }
}
