<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;
use App\Store\Tallies;
use RowTally\Core\Parsing\VariableType;

/** A change from its kind and words, as a request brought them: made at once, or again by a worker. */
final readonly class ChangeOfWords
{
    public function __construct(private FollowInputs $followInputs, private Tallies $tallies) {}

    /** @param array<string, mixed> $words checked before */
    public function of(Dataset $dataset, array $words): Change
    {
        /** @var array{kind: string, anyway?: bool|int|string|null, deleted_row?: int|string, edits?: list<array{row: int, variable: string, text: string|null}>, rows?: list<mixed>, order?: list<string>, merged?: list<array{from: string, to: string}>|string|null, labels?: list<array{from: string, to: string|null}>} $words */
        $text = static fn(string $name): string => is_string($words[$name] ?? null) ? $words[$name] : '';
        $orNull = static fn(string $name): ?string => $text($name) === '' ? null : $text($name);
        $anyway = filter_var($words['anyway'] ?? false, FILTER_VALIDATE_BOOLEAN);
        $type = VariableType::tryFrom($text('type')) ?? VariableType::Number;
        $rows = $words['rows'] ?? [];
        // A rule for lists passes what is blank.
        $merged = is_array($words['merged'] ?? null) ? $words['merged'] : [];

        return match ($words['kind']) {
            'edit-cells' => new EditCells(array_map(static fn(array $edit): array => ['row' => self::number($edit['row']), 'variable' => $edit['variable'], 'text' => $edit['text'] ?? ''], $words['edits'] ?? []), $anyway),
            'add-rows' => new AddRows(array_map(self::typedRow(...), $rows), $anyway),
            'delete-rows' => new DeleteRows(array_map(self::number(...), $rows)),
            'set-aside' => new SetAside(array_map(self::number(...), $rows), $text('reason')),
            'bring-back' => new SetAside(($words['rows'] ?? null) === null ? null : array_map(self::number(...), $rows), null),
            'restore-row' => new RestoreRow(self::number($words['deleted_row'] ?? null)),
            'add-variable' => new AddVariable($text('name'), $type, $orNull('unit')),
            'delete-variable' => new DeleteVariable($text('variable')),
            'restore-variable' => new RestoreVariable($text('variable')),
            'freeze-variable' => new FreezeVariable($text('variable')),
            'describe-variable' => new DescribeVariable($text('variable'), self::described($words)),
            'retype-variable' => new RetypeVariable($text('variable'), $type),
            'arrange-labels' => new ArrangeLabels($text('variable'), $words['order'] ?? [], array_column($merged, 'to', 'from')),
            'recode-variable' => new RecodeVariable($text('variable'), $text('name'), array_map(static fn(?string $to): string => $to ?? '', array_column($words['labels'] ?? [], 'to', 'from'))),
            'make-variable' => new MakeVariable($this->followInputs, $this->tallies, $text('name'), $text('formula'), $orNull('unit'), $orNull('description')),
            'redo' => UndoRedo::redo(History::of($dataset)),
            default => UndoRedo::undo(History::of($dataset)),
        };
    }

    /**
     * Roughly how many steps it takes: a row for each part of a formula, say; with what is made from what it changes.
     *
     * @param array<string, mixed> $words
     */
    public function steps(Dataset $dataset, Change $change, array $words): int
    {
        $own = $change instanceof TakesLong ? $change->steps($dataset) : 0;
        $variable = is_string($words['variable'] ?? null) ? $words['variable'] : '';

        return $own + match ($change->kind()) {
            'retype-variable', 'arrange-labels' => $this->followInputs->steps($dataset, [$variable], true),
            'describe-variable' => isset($words['missing_marks']) ? $this->followInputs->steps($dataset, [$variable], true) : 0,
            'edit-cells' => $this->followInputs->steps($dataset, array_values(array_filter(array_column(is_array($words['edits'] ?? null) ? $words['edits'] : [], 'variable'), is_string(...))), false),
            'add-rows', 'delete-rows', 'restore-row', 'set-aside', 'bring-back', 'undo', 'redo' => $this->followInputs->steps($dataset, null, false),
            default => 0,
        };
    }

    private static function number(mixed $number): int
    {
        return is_numeric($number) ? (int) $number : 0;
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

    /**
     * @param array<string, mixed> $words
     *
     * @return array{name?: string, unit?: string|null, label?: string|null, description?: string|null, shown_decimals?: int|null, missing_marks?: list<string>}
     */
    private static function described(array $words): array
    {
        /** @var array{name?: string, unit?: string|null, label?: string|null, description?: string|null, shown_decimals?: int|string|null, missing_marks?: list<string>|string} $fields */
        $fields = array_intersect_key($words, array_flip(['name', 'unit', 'label', 'description', 'shown_decimals', 'missing_marks']));
        // A rule passes what is blank; of a number that is none.
        if (array_key_exists('shown_decimals', $fields)) {
            $fields['shown_decimals'] = is_numeric($fields['shown_decimals']) ? (int) $fields['shown_decimals'] : null;
        }

        if (array_key_exists('missing_marks', $fields) && !is_array($fields['missing_marks'])) {
            unset($fields['missing_marks']);
        }

        return $fields;
    }
}
