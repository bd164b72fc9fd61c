<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;
use App\Models\Variable;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\VariableType;

/** Makes a variable another type. What cannot be read in it is kept as text that counts as missing. */
final readonly class RetypeVariable implements TakesLong
{
    private const STEPS_A_ROW = 5;
    private const TEXTS_LOOKED_AT = 50_000;
    private const NAMED = 20;

    public function __construct(
        private string $key,
        private VariableType $type,
    ) {}

    public function kind(): string
    {
        return 'retype-variable';
    }

    /** @return array{unread: int, first: list<array{row: int, text: string}>, labels: int|null} what would happen */
    public function preview(DraftRevision $draft): array
    {
        $variable = $draft->variable($this->key);
        $as = clone $variable;
        $as->type = $this->type;
        $unread = 0;
        $first = [];
        $labels = [];
        $row = 0;
        $typed = TypedCells::into($as, $this->dateOrder($draft, $variable));
        foreach (array_keys($draft->layout()) as $chunk) {
            foreach ($draft->cells($variable, $chunk) as $cell) {
                ++$row;
                if ($this->type === VariableType::Category && count($labels) <= CategoryColumnBuilder::MAX_LABELS && $cell !== '') {
                    $labels[$cell] = true;
                }
                if (!$typed->read($cell)->isRead) {
                    ++$unread;
                    if (count($first) < self::NAMED) {
                        $first[] = ['row' => $row, 'text' => $cell];
                    }
                }
            }
        }

        return ['unread' => $unread, 'first' => $first, 'labels' => $this->type === VariableType::Category ? count($labels) : null];
    }

    /** A cell is read, put anew and packed: about as long as a few parts of a formula. */
    public function steps(Dataset $dataset): int
    {
        return $dataset->rows * self::STEPS_A_ROW;
    }

    public function apply(DraftRevision $draft): string
    {
        $variable = $draft->variable($this->key);
        if ($variable->type === $this->type) {
            throw ChangeRefused::because('no-change', "“{$variable->name}” is a {$this->type->value} already.", 'another type', 'Choose another one.');
        }
        $before = $variable->type;
        $order = $this->dateOrder($draft, $variable);
        $old = clone $variable;
        $variable->fill(['type' => $this->type, 'dictionary' => [], 'label_counts' => [], 'micro_histogram' => [], 'decimals' => $this->type === VariableType::Number ? 0 : null]);
        // What was of another type differs from nothing.
        $draft->differences()->forget($variable);
        $typed = TypedCells::into($variable, $order);
        foreach (array_keys($draft->layout()) as $chunk) {
            $draft->put($variable, $chunk, array_map(static fn(string $cell): string => $typed->read($cell)->text, $draft->cells($old, $chunk)));
        }
        $draft->describe($variable);

        return "{$variable->name} is read as {$this->type->value}, no longer as {$before->value}" . ($variable->unread > 0 ? " ({$variable->unread} cells could not be read)" : '');
    }

    /** Of very many cells together, so that no two of them are read differently. */
    private function dateOrder(DraftRevision $draft, Variable $variable): ?DateText
    {
        if ($this->type !== VariableType::Date) {
            return null;
        }
        $texts = [];
        foreach (array_keys($draft->layout()) as $chunk) {
            $texts += array_fill_keys($draft->cells($variable, $chunk), true);
            if (count($texts) > self::TEXTS_LOOKED_AT) {
                break;
            }
        }
        unset($texts['']);

        return DateText::recognise(array_map(strval(...), array_keys($texts)));
    }
}
