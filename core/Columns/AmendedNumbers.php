<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Values\Packed;
use RowTally\Core\Values\PowerSums;

/**
 * A chunk of decimals with other texts in a few of its cells: what packing all of it anew would give, by changing only those.
 *
 * Cost  O(cells changed), and O(rows) without reading texts where the ends of the chunk may have moved.
 */
final readonly class AmendedNumbers
{
    /**
     * @param list<int> $removed values that were there, over the column's decimals
     * @param list<int> $added   values that are there now
     */
    private function __construct(public EncodedCells $cells, public array $removed, public array $added) {}

    /**
     * @param NumberColumn       $column its decimals and its dictionary
     * @param array<int, string> $texts  by place in the chunk, from 0; numbers with a decimal point
     *
     * @return self|null null where the chunk has to be packed anew: doubles, more decimals, a value that the encoding or the dictionary does not hold
     */
    public static function of(EncodedCells $before, NumberColumn $column, array $texts): ?self
    {
        $chunk = $before->chunk;
        if ($column->decimals === null || $chunk->decimals !== $column->decimals || $chunk->powerSums === null || $chunk->min === null || $chunk->encoding === ChunkEncoding::Float64) {
            return null;
        }
        $isOfCodes = $chunk->encoding === ChunkEncoding::Codes;
        $dictionary = $isOfCodes ? $column->scaledDictionary() : [];
        $format = $chunk->encoding->format();
        $width = strlen(pack($format, 0));
        $mark = $chunk->encoding->missingInteger();
        $payload = $chunk->payload;
        $unread = $before->unread;
        $removed = $added = [];
        foreach ($texts as $place => $text) {
            $value = self::value($text, $column->decimals);
            $code = $value === null ? $mark : ($isOfCodes ? array_search($value, $dictionary, true) : $value);
            if ($value === false || $code === false) {
                return null;
            }
            $bytes = pack($format, $isOfCodes && $value !== null ? $code + 1 : $code);
            if (!$isOfCodes && $value !== null && ($value === $mark || Packed::integers($format, $bytes)[1] !== $value)) {
                return null;
            }
            $stood = Packed::integers($format, $payload, $place * $width)[1];
            if ($stood !== $mark) {
                $removed[] = $isOfCodes ? $dictionary[$stood - 1] : $stood;
            }
            unset($unread[$place]);
            if ($value !== null) {
                $added[] = $value;
            } elseif (!NumberText::isBlank($text)) {
                $unread[$place] = $text;
            }
            $payload = substr_replace($payload, $bytes, $place * $width, $width);
        }
        ksort($unread);
        $missing = $chunk->missing + count($removed) - count($added);
        $amended = $isOfCodes ? NumberChunks::ofCodes($payload, $missing, $dictionary, $column->decimals) : self::ofIntegers($chunk, $payload, $missing, $removed, $added);

        return $amended === null ? null : new self(new EncodedCells($amended, $unread), $removed, $added);
    }

    /** @return int|false|null null = missing; false = more than whole numbers over these decimals hold */
    private static function value(string $text, int $decimals): int|false|null
    {
        $number = NumberText::parse($text);
        if (!is_array($number)) {
            return $number === null ? null : false;
        }
        [$unscaled, $own] = $number;
        $fits = $own <= $decimals && abs($unscaled) * 10.0 ** ($decimals - $own) < NumberColumnBuilder::BOUND;

        return $fits ? (int) ($unscaled * 10 ** ($decimals - $own)) : false;
    }

    /**
     * @param list<int> $removed
     * @param list<int> $added
     */
    private static function ofIntegers(Chunk $before, string $payload, int $missing, array $removed, array $added): ?Chunk
    {
        $decimals = $before->decimals ?? 0;
        $chunk = new Chunk($before->encoding, $before->rows, $missing, $payload, $decimals);
        $values = (new NumberColumn($decimals, [], []))->presentIntegers($chunk);
        // Without values, or where a narrower or a wider encoding would do, all of it is packed anew.
        if ($values === [] || ChunkEncoding::forIntegers(min($values), max($values)) !== $before->encoding) {
            return null;
        }
        $sums = ($before->powerSums ?? PowerSums::ofIntegers([], null, $decimals))
            ->minus(PowerSums::ofIntegers($removed, null, $decimals))
            ->plus(PowerSums::ofIntegers($added, null, $decimals));

        return new Chunk($before->encoding, $before->rows, $missing, $payload, $decimals, min($values), max($values), $sums);
    }
}
