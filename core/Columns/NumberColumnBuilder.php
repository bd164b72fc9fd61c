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
final class NumberColumnBuilder
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

    /**
     * @param list<string> $cells up to Chunk::ROWS cells as they stand in the file
     */
    public function add(array $cells): EncodedCells
    {
        do {
            $modeBefore = [$this->mode, $this->decimals];
            $chunk = match ($this->mode) {
                ChunkEncoding::Codes => $this->encodeCodes($cells),
                ChunkEncoding::Float64 => $this->encodeDoubles($cells),
                default => $this->encodeIntegers($cells),
            };
        } while ($chunk === null || $modeBefore !== [$this->mode, $this->decimals]);
        $this->counts->add($chunk);
        $unread = $this->unreadTexts === [] ? [] : array_filter(
            $cells,
            fn(string $cell): bool => isset($this->unreadTexts[$cell]),
        );
        $this->unread += count($unread);

        return new EncodedCells($chunk, $unread);
    }

    /** @param iterable<Chunk> $chunks all that `add` gave, in order */
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

    /** @param list<string> $cells */
    private function encodeCodes(array $cells): ?Chunk
    {
        $codes = '';
        $missing = 0;
        foreach ($cells as $cell) {
            $code = $this->memo[$cell] ?? null;
            if ($code === null && !array_key_exists($cell, $this->memo)) {
                $code = $this->learnCode($cell);
                if ($this->mode !== ChunkEncoding::Codes) {
                    return null;
                }
            }
            if ($code === null) {
                ++$missing;
                $codes .= "\0";
            } else {
                $codes .= chr((int) $code);
            }
        }

        return NumberChunks::ofCodes($codes, $missing, $this->dictionary->integers($this->decimals), $this->decimals);
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

    /** @param list<string> $cells */
    private function encodeIntegers(array $cells): ?Chunk
    {
        $alike = $this->memoising ? null : NumberText::parseAlike($cells, $this->decimals, $this->decimalMark);
        if ($alike !== null) {
            $this->largest = max($this->largest, abs(min($alike)), abs(max($alike)));

            return NumberChunks::ofIntegers($alike, $alike, $this->decimals);
        }
        $values = [];
        $present = [];
        $decimals = $this->decimals;
        foreach ($cells as $cell) {
            $value = $this->memo[$cell] ?? null;
            if ($value === null && !array_key_exists($cell, $this->memo)) {
                $value = $this->learnInteger($cell);
                if ($this->mode === ChunkEncoding::Float64 || $this->decimals !== $decimals) {
                    return null;
                }
            }
            $values[] = $value;
            if ($value !== null) {
                $present[] = (int) $value;
            }
        }

        return NumberChunks::ofIntegers($values, $present, $this->decimals);
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
    private function encodeDoubles(array $cells): Chunk
    {
        $values = [];
        $present = [];
        foreach ($cells as $cell) {
            $number = $this->read($cell);
            if ($number === null) {
                $values[] = NAN;
                continue;
            }
            // 0.0 + turns −0 into 0.
            $values[] = $present[] = is_float($number) ? $number : 0.0 + NumberColumn::toDouble(...$number);
        }

        return NumberChunks::ofDoubles($values, $present);
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
