<?php

declare(strict_types=1);

namespace RowTally\Core\Profile;

use Brick\Math\BigDecimal;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Formula\Decimals;
use RowTally\Core\Formula\Table;
use RowTally\Core\Readings\NamesRows;

/**
 * What rows are called that have certain values: the entries of an id variable.
 *
 * Cost  the chunks whose smallest and largest value let the values in.
 */
final readonly class RowLabels implements NamesRows
{
    public function __construct(private Table $table, private string $number, private string $id, private RowGrouping $grouping) {}

    public function of(int $column, array $values): array
    {
        [$table, $number] = [$this->table, $this->number];
        $grouping = $column === 0 ? $this->grouping->overall : $this->grouping->grouping;
        $group = max(0, $column - 1);
        $labels = array_fill(0, count($values), null);
        $isDecimal = $table->number($number)->decimals !== null;
        $open = [];
        foreach ($values as $place => $value) {
            $open[self::key($value, $isDecimal)][] = $place;
        }
        foreach ($table->chunks($number) as $at => $chunk) {
            if ($open === []) {
                break;
            }
            if (!self::mayHold($chunk, $values)) {
                continue;
            }
            $rows = $table->rows($at);
            $codes = $grouping->isWhole() ? null : array_values($grouping->codes($at));
            $names = null;
            foreach ($rows->numbers($number) as $row => $own) {
                $key = $own === null ? '' : self::key($own, $isDecimal);
                if (isset($open[$key]) && ($codes === null || $codes[$row] === $group)) {
                    $names ??= $rows->texts($this->id);
                    $labels[(int) array_shift($open[$key])] = $names[$row];
                    if ($open[$key] === []) {
                        unset($open[$key]);
                    }
                }
            }
        }

        return array_values($labels);
    }

    /** A text that no array takes for a number: of decimals, whatever their length, each its own. */
    private static function key(float|BigDecimal $value, bool $isDecimal): string
    {
        $plain = $isDecimal && $value instanceof BigDecimal ? Decimals::plain($value->stripTrailingZeros()) : $value;

        return 'x' . ($isDecimal && $plain instanceof BigDecimal ? (string) $plain : json_encode(Decimals::double($plain) + 0.0, JSON_THROW_ON_ERROR));
    }

    /** @param list<BigDecimal> $values */
    private static function mayHold(Chunk $chunk, array $values): bool
    {
        if ($chunk->min === null || $chunk->max === null) {
            return false;
        }
        $scale = $chunk->decimals === null ? 1.0 : 10.0 ** $chunk->decimals;
        // A little wider, for what doubles lose.
        [$low, $high] = [$chunk->min / $scale, $chunk->max / $scale];
        $slack = 1e-12 * max(abs($low), abs($high));
        foreach ($values as $value) {
            $double = (float) (string) $value;
            if ($double >= $low - $slack && $double <= $high + $slack) {
                return true;
            }
        }

        return false;
    }
}
