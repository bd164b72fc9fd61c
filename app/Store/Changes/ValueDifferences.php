<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Parsing\VariableType;

/** Which values of number variables went and which came in a revision, so that what was counted before serves again but for those. */
final class ValueDifferences
{
    /** @var array<int, array{removed: array<int, int>, added: array<int, int>}|null> by variable; null = too much changed to tell */
    private array $byVariable = [];

    /** @return array{removed: array<int, int>, added: array<int, int>}|null how often each value, over the variable's decimals; null = not known */
    public function of(int $variableId): ?array
    {
        return $this->byVariable[$variableId] ?? null;
    }

    /** All values of a variable are others now, beyond what single cells tell. */
    public function forget(Variable $variable): void
    {
        $this->byVariable[$variable->id] = null;
    }

    /** A chunk came in the place of another. */
    public function put(Variable $variable, ?EncodedCells $before, EncodedCells $after, ?int $decimalsBefore): void
    {
        if ($variable->type !== VariableType::Number) {
            return;
        }
        if ($variable->decimals === null || $variable->decimals !== $decimalsBefore) {
            $this->forget($variable);

            return;
        }
        $column = new NumberColumn($variable->decimals, $variable->dictionary, []);
        $this->note($variable, $before === null ? [] : $column->presentIntegers($before->chunk), $column->presentIntegers($after->chunk));
    }

    /**
     * @param array<int> $removed values that were there, over the variable's decimals
     * @param array<int> $added   values that are there now
     */
    public function note(Variable $variable, array $removed, array $added): void
    {
        if (array_key_exists($variable->id, $this->byVariable) && $this->byVariable[$variable->id] === null) {
            return;
        }
        [$old, $new] = [array_count_values($removed), array_count_values($added)];
        $known = $this->byVariable[$variable->id] ?? ['removed' => [], 'added' => []];
        foreach (array_keys($old + $new) as $value) {
            $change = ($new[$value] ?? 0) - ($old[$value] ?? 0);
            if ($change !== 0) {
                $side = $change > 0 ? 'added' : 'removed';
                $known[$side][$value] = ($known[$side][$value] ?? 0) + abs($change);
            }
        }
        $this->byVariable[$variable->id] = $known;
    }
}
