<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Parsing\VariableType;

/**
 * Where a text stands in columns, ignoring case: chunk by chunk, so that no more is held than a few of them. What cannot hold it is passed
 * over: codes of which none stands for it, and numbers where it is none.
 *
 * Cost  O(cells) at worst, where it stands nowhere and is a part of a number.
 */
final readonly class FindCell
{
    /** So many chunks of all columns are read in one question. */
    private const CELLS_AT_ONCE = 20 * 8192 * 4;

    /** Numbers and days are written with these signs and no others. */
    private const OF_NUMBERS = '0123456789.-';
    private const OF_DATES = '0123456789.-:tz';

    private string $text;
    /** @var list<Variable> those that may hold it */
    private array $variables;

    /** @param list<Variable> $variables */
    public function __construct(array $variables, private int $revision, string $text)
    {
        $this->text = mb_strtolower($text);
        $this->variables = array_values(array_filter($variables, fn(Variable $variable): bool => $variable->unread > 0 || match ($variable->type) {
            VariableType::Number => $this->hasOnly(self::OF_NUMBERS),
            VariableType::Date => $this->hasOnly(self::OF_DATES),
            VariableType::Category => array_filter($variable->dictionary, fn(string $label): bool => str_contains(mb_strtolower($label), $this->text)) !== [],
            VariableType::Id, VariableType::Text => true,
        }));
    }

    /**
     * @param list<int> $layout rows of each chunk
     *
     * @return iterable<int> rows from 0 in which it stands, ascending, from a row on
     */
    public function rows(array $layout, int $from): iterable
    {
        $before = 0;
        $numbers = $starts = [];
        foreach ($layout as $number => $count) {
            if ($before + $count > $from) {
                $numbers[] = $number;
                $starts[$number] = $before;
            }
            $before += $count;
        }
        $dictionaries = array_map(static fn(Variable $variable): array => $variable->dictionary, $this->variables);
        $atOnce = max(1, intdiv(self::CELLS_AT_ONCE, max(1, 8192 * count($this->variables))));
        $pieces = $this->variables === [] ? [] : array_chunk($numbers, $atOnce);
        foreach (Underway::through('Looking through the cells', $pieces, count($pieces)) as $some) {
            $chunks = StoredColumns::window(array_map(static fn(Variable $variable): int => $variable->id, $this->variables), $this->revision, $some);
            foreach ($some as $number) {
                $rows = [];
                foreach ($this->variables as $i => $variable) {
                    $encoded = $chunks[$variable->id][$number] ?? null;
                    foreach ($encoded === null ? [] : $this->places($encoded, $dictionaries[$i], $variable->decimals) as $place) {
                        $rows[$starts[$number] + $place] = true;
                    }
                }
                ksort($rows);
                foreach (array_keys($rows) as $row) {
                    if ($row >= $from) {
                        yield $row;
                    }
                }
            }
        }
    }

    /** Whether the digits stand together anywhere among those of the chunk: a look at all of them takes a tenth of writing out each number. */
    private function mayBeAmong(Chunk $chunk): bool
    {
        // Zeros at either end may be those before a first digit or behind the last.
        $digits = trim(str_replace('.', '', $this->text), '-0');
        if ($digits === '') {
            return true;
        }
        $all = $chunk->encoding === ChunkEncoding::Float64
            ? str_replace('.', '', json_encode(array_map(static fn(float $value): float => is_finite($value) ? $value : 0.0, array_values($chunk->doubles())), JSON_THROW_ON_ERROR))
            : implode(',', $chunk->integers());

        return str_contains($all, $digits);
    }

    private function hasOnly(string $signs): bool
    {
        return strspn($this->text, $signs) === strlen($this->text);
    }

    /**
     * @param list<string> $dictionary
     *
     * @return list<int> in the chunk
     */
    private function places(EncodedCells $encoded, array $dictionary, ?int $decimals): array
    {
        $places = [];
        foreach ($encoded->unread as $place => $text) {
            if (str_contains(mb_strtolower($text), $this->text)) {
                $places[] = $place;
            }
        }
        $chunk = $encoded->chunk;
        if ($chunk->encoding === ChunkEncoding::Text) {
            // One look at all of them; most chunks end here.
            if (str_contains(mb_strtolower(substr($chunk->payload, 4 * $chunk->rows)), $this->text)) {
                foreach ($chunk->texts() as $place => $text) {
                    if ($text !== null && str_contains(mb_strtolower($text), $this->text)) {
                        $places[] = $place;
                    }
                }
            }

            return $places;
        }
        if ($chunk->encoding === ChunkEncoding::Codes) {
            return [...$places, ...$this->ofCodes($chunk->payload, $dictionary, $chunk->decimals === null ? null : $decimals ?? 0, $encoded->unread)];
        }
        if ($this->hasOnly(self::OF_NUMBERS) && $this->mayBeAmong($chunk)) {
            foreach (ColumnCells::of($encoded, $dictionary, $decimals) as $place => $text) {
                if (str_contains($text, $this->text)) {
                    $places[] = $place;
                }
            }
        }

        return $places;
    }

    /**
     * @param list<string>       $dictionary
     * @param array<int, string> $unread
     *
     * @return list<int>
     */
    private function ofCodes(string $codes, array $dictionary, ?int $decimals, array $unread): array
    {
        $meant = '';
        foreach (array_keys(count_chars($codes, 1)) as $code) {
            $entry = $code === 0 ? '' : $dictionary[$code - 1] ?? '';
            $text = $decimals === null || $entry === '' ? $entry : ColumnCells::padded($entry, $decimals);
            if ($code > 0 && str_contains(mb_strtolower($text), $this->text)) {
                $meant .= chr($code);
            }
        }
        $places = [];
        for ($place = 0; $meant !== '' && ($place += strcspn($codes, $meant, $place)) < strlen($codes); ++$place) {
            if (!isset($unread[$place])) {
                $places[] = $place;
            }
        }

        return $places;
    }
}
