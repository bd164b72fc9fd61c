<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\ValueCounts;

/**
 * A few rows of a table, such as those set aside: which they are, and what a column has there.
 *
 * Cost  to find them one look at each byte of the marks, to tally a column O(rows marked): of a chunk only their places are unpacked.
 */
final readonly class RowsMarked
{
    private const WIDTHS = ['C' => 1, 's' => 2, 'l' => 4, 'q' => 8];

    /** @param array<int, non-empty-list<int>> $places by chunk, from 0, ascending */
    private function __construct(private array $places) {}

    /** @param array<int, string> $marks by chunk, a byte a row, 0 = not marked */
    public static function by(array $marks): self
    {
        $places = [];
        foreach ($marks as $number => $bytes) {
            $length = strlen($bytes);
            for ($at = strspn($bytes, "\0"); $at < $length; $at += strspn($bytes, "\0", $at)) {
                $places[$number][] = $at++;
            }
        }

        return new self($places);
    }

    public function rows(): int
    {
        return array_sum(array_map(count(...), $this->places));
    }

    /** @return list<int> the chunks that have any */
    public function chunks(): array
    {
        return array_keys($this->places);
    }

    /** @return array<int, non-empty-list<int>> by chunk, from 0 */
    public function places(): array
    {
        return $this->places;
    }

    /**
     * The values that these rows have in a column of decimals: all of them, then by label where there are labels.
     *
     * @param array<int, Chunk> $chunks of the column, by number: those that have such rows
     * @param array<int, Chunk> $labels of the category that splits the rows, as byte codes; none = only all of them
     * @param int               $groups how many labels there are
     *
     * @return list<Observations> all, those of each label, those without one
     */
    public function tally(NumberColumn $column, array $chunks, array $labels = [], int $groups = 0): array
    {
        $values = $labels === [] ? [[]] : array_fill(0, $groups + 2, []);
        $missing = array_fill(0, count($values), 0);
        foreach ($chunks as $number => $chunk) {
            $places = $this->places[$number] ?? [];
            foreach ($places === [] ? [] : $column->integers(self::only($chunk, $places)) as $i => $value) {
                // Keyed from 1. Without a label comes last.
                $code = isset($labels[$number]) ? ord($labels[$number]->payload[$places[$i - 1]]) : null;
                foreach ($code === null ? [0] : [0, $code === 0 ? $groups + 1 : $code] as $group) {
                    if ($value === null) {
                        ++$missing[$group];
                    } else {
                        $values[$group][] = $value;
                    }
                }
            }
        }
        $decimals = $column->decimals ?? 0;

        $tallies = [];
        foreach ($values as $group => $own) {
            $tallies[] = new Observations(ValueCounts::ofUnorderedIntegers($own, $decimals), $missing[$group]);
        }

        return $tallies;
    }

    /**
     * How often these rows have each label of a category.
     *
     * @param array<int, Chunk> $chunks byte codes, by number
     *
     * @return array{counts: list<int>, missing: int}
     */
    public function labels(array $chunks, int $labels): array
    {
        $counts = array_fill(0, $labels + 1, 0);
        foreach ($chunks as $number => $chunk) {
            foreach ($this->places[$number] ?? [] as $place) {
                ++$counts[ord($chunk->payload[$place])];
            }
        }

        return ['counts' => array_slice($counts, 1), 'missing' => $counts[0]];
    }

    /** @param non-empty-list<int> $places */
    private static function only(Chunk $chunk, array $places): Chunk
    {
        $width = self::WIDTHS[$chunk->encoding->format()] ?? 8;
        $bytes = '';
        foreach ($places as $place) {
            $bytes .= substr($chunk->payload, $width * $place, $width);
        }

        // Some of them may have no value.
        return new Chunk($chunk->encoding, count($places), count($places), $bytes, $chunk->decimals);
    }
}
