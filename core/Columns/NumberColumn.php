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
        $digits = str_pad((string) abs($unscaled), $decimals + 1, '0', STR_PAD_LEFT);

        return ($unscaled < 0 ? '-' : '') . substr($digits, 0, -$decimals) . '.' . substr($digits, -$decimals);
    }

    public static function doubleToText(float $value): string
    {
        return Exact::shortestText($value);
    }
}
