<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Values\ValueCounts;

/**
 * Packs the cells of a number column, chunk after chunk, in the narrowest encoding that fits so far: byte codes up to 255
 * distinct values, then scaled integers, doubles only when 18 digits do not hold the values. Counts the distinct values on
 * the way, while there are few enough of them.
 *
 * Cost  one hash look-up a cell while distinct texts are few (each is parsed once), one parse a cell beyond that.
 */
final class NumberColumnBuilder extends ColumnBuilder
{
    public const BOUND = 10 ** NumberText::MAX_DIGITS;

    private ChunkEncoding $mode = ChunkEncoding::Codes;
    private int $decimals = 0;
    private int $largest = 0;
    /** @var array<array-key, int|float|null> cell text => byte code, unscaled integer or double; null = missing */
    private array $memo = [];
    private bool $memoising = true;
    /** @var array<array-key, true> texts that are not numbers */
    private array $unreadTexts = [];
    private NumberDictionary $dictionary;
    private RunningCounts $counts;
    private int $unread = 0;
    /** Of the chunk at hand: its byte codes, or what stands in it, unscaled integers or doubles. */
    private string $codes = '';
    /** @var list<int|float|null> null = missing */
    private array $values = [];
    /** @var array<int, string> by row */
    private array $unreadHere = [];

    /**
     * @param '.'|',' $decimalMark
     * @param int     $memoLimit   up to this many distinct texts are remembered and counted
     */
    public function __construct(
        private readonly string $decimalMark = '.',
        private readonly int $memoLimit = 50_000,
    ) {
        $this->dictionary = new NumberDictionary();
        $this->counts = new RunningCounts();
    }

    /**
     * A builder for more chunks of a column that exists: its byte codes and decimals go on.
     *
     * @param list<string> $dictionary decimal texts of byte code 1, 2, …
     * @param int|null     $decimals   of the column; null = it holds doubles
     * @param int          $largest    largest absolute value in the column, over its decimals
     * @param bool         $asCodes    whether the chunk at hand was packed as byte codes
     */
    public static function continuing(array $dictionary, ?int $decimals, int $largest, bool $asCodes): self
    {
        $builder = new self();
        if ($decimals === null) {
            $builder->becomeDoubles();

            return $builder;
        }
        $builder->decimals = $decimals;
        $builder->largest = $largest;
        $builder->mode = $asCodes ? ChunkEncoding::Codes : ChunkEncoding::Int64;
        if (!$asCodes) {
            // What is counted is the whole column; of a few more chunks nothing need be remembered.
            $builder->memoising = false;
            $builder->counts->stop();
        }
        foreach ($dictionary as $text) {
            $number = NumberText::parse($text);
            if (is_array($number)) {
                $builder->dictionary->codeOf($number);
            }
        }

        return $builder;
    }

    public function take(array $cells): void
    {
        $rows = strlen($this->codes) + count($this->values);
        // What a cell changes for the column holds for the whole chunk: what was taken before it becomes that too.
        for ($at = 0; $at < count($cells);) {
            $at = match ($this->mode) {
                ChunkEncoding::Codes => $this->takeCodes($cells, $at),
                ChunkEncoding::Float64 => $this->takeDoubles($cells, $at),
                default => $this->takeIntegers($cells, $at),
            };
        }
        foreach ($this->unreadTexts === [] ? [] : $cells as $row => $cell) {
            if (isset($this->unreadTexts[$cell])) {
                $this->unreadHere[$rows + $row] = $cell;
            }
        }
    }

    public function chunk(): EncodedCells
    {
        $present = array_values(in_array(null, $this->values, true) ? array_filter($this->values, static fn(int|float|null $value): bool => $value !== null) : $this->values);
        if ($this->mode === ChunkEncoding::Codes) {
            $chunk = NumberChunks::ofCodes($this->codes, substr_count($this->codes, "\0"), $this->dictionary->integers($this->decimals), $this->decimals);
        } elseif ($this->mode === ChunkEncoding::Float64) {
            /** @var list<float> $present */
            $chunk = NumberChunks::ofDoubles(array_map(static fn(int|float|null $value): float => (float) ($value ?? NAN), $this->values), $present);
        } else {
            /** @var list<int> $present */
            $chunk = NumberChunks::ofIntegers($this->values, $present, $this->decimals);
        }
        $this->counts->add($chunk);
        $encoded = new EncodedCells($chunk, $this->unreadHere);
        $this->unread += count($this->unreadHere);
        $this->codes = '';
        $this->values = $this->unreadHere = [];

        return $encoded;
    }

    /** @param iterable<Chunk> $chunks all that `chunk()` gave, in order */
    public function column(iterable $chunks): NumberColumn
    {
        return new NumberColumn($this->decimals(), $this->dictionary(), $chunks);
    }

    public function decimals(): ?int
    {
        return $this->mode === ChunkEncoding::Float64 ? null : $this->decimals;
    }

    /** How many cells could not be read as a number so far. */
    public function unread(): int
    {
        return $this->unread;
    }

    /** @return list<string> decimal texts of the byte codes */
    public function dictionary(): array
    {
        return $this->dictionary->texts();
    }

    /** The distinct values with their counts; null when there were too many to count on the way, or they are doubles. */
    public function valueCounts(): ?ValueCounts
    {
        return $this->counts->valueCounts($this->mode === ChunkEncoding::Codes ? $this->dictionary->integers($this->decimals) : null, $this->decimals);
    }

    /**
     * @param list<string> $cells
     *
     * @return int the place of the first cell that is not taken: from there on it goes in another way
     */
    private function takeCodes(array $cells, int $from): int
    {
        $codes = '';
        $count = count($cells);
        $at = $from;
        for (; $at < $count; ++$at) {
            $cell = $cells[$at];
            $code = $this->memo[$cell] ?? null;
            if ($code === null && !array_key_exists($cell, $this->memo)) {
                $code = $this->learnCode($cell);
                if ($this->mode !== ChunkEncoding::Codes) {
                    break;
                }
            }
            $codes .= $code === null ? "\0" : chr((int) $code);
        }
        $this->codes .= $codes;
        if ($this->mode !== ChunkEncoding::Codes) {
            $this->decode();
        }

        return $at;
    }

    private function learnCode(string $cell): ?int
    {
        $number = $this->read($cell);
        if ($number === null) {
            return $this->memo[$cell] = null;
        }
        if (is_float($number)) {
            $this->becomeDoubles();

            return null;
        }
        $this->widen(...$number);
        if ($this->mode !== ChunkEncoding::Codes) {
            return null;
        }
        $code = $this->dictionary->codeOf($number);
        if ($code === null) {
            $this->becomeIntegers();

            return null;
        }
        // Many spellings of few values ("1", "1.0", "01") must not fill the memory either.
        if (count($this->memo) < $this->memoLimit) {
            $this->memo[$cell] = $code;
        }

        return $code;
    }

    /**
     * @param list<string> $cells
     *
     * @return int the place of the first cell that is not taken: from there on it goes in another way
     */
    private function takeIntegers(array $cells, int $from): int
    {
        $alike = $this->memoising || $from > 0 ? null : NumberText::parseAlike($cells, $this->decimals, $this->decimalMark);
        if ($alike !== null) {
            $this->largest = max($this->largest, abs(min($alike)), abs(max($alike)));
            array_push($this->values, ...$alike);

            return count($cells);
        }
        $values = [];
        $decimals = $this->decimals;
        $count = count($cells);
        $at = $from;
        for (; $at < $count; ++$at) {
            $cell = $cells[$at];
            $value = $this->memo[$cell] ?? null;
            if ($value === null && !array_key_exists($cell, $this->memo)) {
                $value = $this->learnInteger($cell);
                if ($this->mode === ChunkEncoding::Float64 || $this->decimals !== $decimals) {
                    break;
                }
            }
            $values[] = $value;
        }
        array_push($this->values, ...$values);
        if ($this->mode === ChunkEncoding::Float64) {
            $this->asDoubles($decimals);
        } elseif ($this->decimals !== $decimals) {
            $factor = 10 ** ($this->decimals - $decimals);
            $this->values = array_map(static fn(int|float|null $value): ?int => $value === null ? null : (int) ($value * $factor), $this->values);
        }

        return $at;
    }

    private function learnInteger(string $cell): ?int
    {
        $number = $this->read($cell);
        if (is_float($number)) {
            $this->becomeDoubles();

            return null;
        }
        $value = null;
        if ($number !== null) {
            $this->widen(...$number);
            if ($this->mode === ChunkEncoding::Float64) {
                return null;
            }
            $value = $this->scaled(...$number);
        }
        if ($this->memoising) {
            $this->memo[$cell] = $value;
            if (count($this->memo) > $this->memoLimit) {
                $this->memo = [];
                $this->memoising = false;
                $this->counts->stop();
            }
        }

        return $value;
    }

    /** @param list<string> $cells */
    private function takeDoubles(array $cells, int $from): int
    {
        foreach (array_slice($cells, $from) as $cell) {
            $number = $this->read($cell);
            $this->values[] = is_array($number) ? self::double(...$number) : $number;
        }

        return count($cells);
    }

    /** Byte codes of the chunk at hand become what they stand for. */
    private function decode(): void
    {
        $numbers = $this->dictionary->integers($this->decimals);
        $this->values = array_map(static fn(string $byte): ?int => $byte === "\0" ? null : $numbers[ord($byte) - 1], str_split($this->codes));
        $this->codes = '';
        if ($this->mode === ChunkEncoding::Float64) {
            $this->asDoubles($this->decimals);
        }
    }

    /** Unscaled integers of the chunk at hand become doubles. */
    private function asDoubles(int $decimals): void
    {
        $this->values = array_map(static fn(int|float|null $value): ?float => $value === null ? null : self::double((int) $value, $decimals), $this->values);
    }

    private static function double(int $unscaled, int $decimals): float
    {
        // 0.0 + turns −0 into 0.
        return 0.0 + NumberColumn::toDouble($unscaled, $decimals);
    }

    /** @return array{int, int}|float|null */
    private function read(string $cell): array|float|null
    {
        $number = NumberText::parse($cell, $this->decimalMark);
        if ($number === null && !NumberText::isBlank($cell)) {
            $this->unreadTexts[$cell] = true;
        }

        return $number;
    }

    /** Makes room for one more number: more decimals rescale what is remembered, too many digits turn all into doubles. */
    private function widen(int $unscaled, int $decimals): void
    {
        $more = max(0, $decimals - $this->decimals);
        $largest = max(
            (float) $this->largest * 10 ** $more,
            (float) abs($unscaled) * 10 ** max(0, $this->decimals - $decimals),
        );
        if ($largest >= self::BOUND) {
            $this->becomeDoubles();

            return;
        }
        if ($more > 0) {
            $this->decimals = $decimals;
            $this->largest *= 10 ** $more;
            if ($this->mode !== ChunkEncoding::Codes) {
                $this->rescale(10 ** $more);
            }
        }
        $this->largest = max($this->largest, abs($this->scaled($unscaled, $decimals)));
    }

    private function rescale(int $factor): void
    {
        foreach ($this->memo as $text => $value) {
            $this->memo[$text] = $value === null ? null : (int) $value * $factor;
        }
        $this->counts->rescale($factor);
    }

    private function scaled(int $unscaled, int $decimals): int
    {
        return $unscaled * 10 ** ($this->decimals - $decimals);
    }

    private function becomeIntegers(): void
    {
        $this->mode = ChunkEncoding::Int64;
        $integers = $this->dictionary->integers($this->decimals);
        $this->counts->decode($integers);
        foreach ($this->memo as $text => $code) {
            $this->memo[$text] = $code === null ? null : $integers[(int) $code - 1];
        }
    }

    private function becomeDoubles(): void
    {
        $this->mode = ChunkEncoding::Float64;
        $this->memo = [];
        $this->counts->stop();
    }
}
