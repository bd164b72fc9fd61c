<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Values\Exact;

/** A number variable row by row: packed chunks, and the dictionary that the byte codes among them refer to. */
final readonly class NumberColumn
{
    public function __construct(
        /** Decimals over which all values are whole numbers; null when only doubles hold them. */
        public ?int $decimals,
        /** @var list<string> decimal texts; byte code c stands for entry c − 1 */
        public array $dictionary,
        /** @var iterable<Chunk> in row order */
        public iterable $chunks,
    ) {}

    /** @return list<int> the dictionary as whole numbers over 10^decimals; only for a column that has decimals */
    public function scaledDictionary(): array
    {
        $decimals = $this->decimals ?? 0;

        return array_map(static function (string $text) use ($decimals): int {
            $point = strpos($text, '.');
            $own = $point === false ? 0 : strlen($text) - $point - 1;

            return (int) str_replace('.', '', $text) * 10 ** ($decimals - $own);
        }, $this->dictionary);
    }

    /** @return list<float> the dictionary as doubles */
    public function doubleDictionary(): array
    {
        return array_map(static fn(string $text): float => (float) $text, $this->dictionary);
    }

    /**
     * @param iterable<Chunk> $chunks all of the column, which may be read only once from it
     *
     * @return array{int|float, int|float} the smallest and the largest value, unscaled where the column has decimals; 0 without any
     */
    public function ends(iterable $chunks): array
    {
        $min = $max = null;
        foreach ($chunks as $chunk) {
            foreach ([$chunk->min, $chunk->max] as $end) {
                if ($end === null) {
                    continue;
                }
                $end = match (true) {
                    $this->decimals !== null => (int) $end * $this->factor($chunk),
                    $chunk->decimals !== null => self::toDouble((int) $end, $chunk->decimals),
                    default => $end,
                };
                $min = $min === null ? $end : min($min, $end);
                $max = $max === null ? $end : max($max, $end);
            }
        }

        return [$min ?? 0, $max ?? 0];
    }

    /** What makes a whole number of a chunk one over the column's decimals. */
    public function factor(Chunk $chunk): int
    {
        return 10 ** (($this->decimals ?? 0) - ($chunk->decimals ?? 0));
    }

    /** @return array<int, int|null> keyed from 1, over the column's decimals; missing as null */
    public function integers(Chunk $chunk): array
    {
        $rows = $chunk->integers();
        if ($chunk->encoding === ChunkEncoding::Codes) {
            $table = [null, ...$this->scaledDictionary()];

            return array_map(static fn(int $code): ?int => $table[$code], $rows);
        }
        $factor = $this->factor($chunk);
        if ($chunk->missing === 0 && $factor === 1) {
            return $rows;
        }
        $mark = $chunk->encoding->missingInteger();

        return array_map(static fn(int $value): ?int => $value === $mark ? null : $value * $factor, $rows);
    }

    /** @return array<int, float|null> keyed from 1; missing as null */
    public function doubles(Chunk $chunk): array
    {
        if ($chunk->encoding === ChunkEncoding::Float64) {
            return array_map(static fn(float $value): ?float => is_nan($value) ? null : $value, $chunk->doubles());
        }
        $rows = $chunk->integers();
        if ($chunk->encoding === ChunkEncoding::Codes) {
            $table = [null, ...$this->doubleDictionary()];

            return array_map(static fn(int $code): ?float => $table[$code], $rows);
        }
        $mark = $chunk->encoding->missingInteger();
        $decimals = $chunk->decimals ?? 0;

        return array_map(
            static fn(int $value): ?float => $value === $mark ? null : self::toDouble($value, $decimals),
            $rows,
        );
    }

    /** @return array<int, int> as `integers()` without the missing ones, keyed in any way */
    public function presentIntegers(Chunk $chunk): array
    {
        if ($chunk->missing === 0) {
            /** @var array<int, int> $all */
            $all = $this->integers($chunk);

            return $all;
        }

        return array_filter($this->integers($chunk), static fn(?int $value): bool => $value !== null);
    }

    /** @return array<int, float> as `doubles()` without the missing ones, keyed in any way */
    public function presentDoubles(Chunk $chunk): array
    {
        if ($chunk->encoding === ChunkEncoding::Float64) {
            return $chunk->missing === 0 ? $chunk->doubles() : array_filter($chunk->doubles(), static fn(float $value): bool => !is_nan($value));
        }

        return array_filter($this->doubles($chunk), static fn(?float $value): bool => $value !== null);
    }

    /** The double that an unscaled integer of a chunk stands for. */
    public static function toDouble(int $unscaled, int $decimals): float
    {
        return (float) ($unscaled . 'e-' . $decimals);
    }

    /** Decimal text of an unscaled integer. */
    public static function toText(int $unscaled, int $decimals): string
    {
        if ($decimals === 0) {
            return (string) $unscaled;
        }
        $digits = substr_replace(str_pad((string) abs($unscaled), $decimals + 1, '0', STR_PAD_LEFT), '.', -$decimals, 0);

        return $unscaled < 0 ? '-' . $digits : $digits;
    }

    public static function doubleToText(float $value): string
    {
        return Exact::shortestText($value);
    }
}
