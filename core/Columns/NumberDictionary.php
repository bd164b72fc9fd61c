<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

/** The distinct numbers of a column, each under a byte code from 1 on. Cost: one hash look-up a number. */
final class NumberDictionary
{
    private const MAX_CODES = 255;

    /** @var list<array{int, int}> unscaled and decimals of byte code 1, 2, … */
    private array $numbers = [];
    /** @var array<string, int> decimal text without trailing zeros => byte code */
    private array $codes = [];

    /**
     * @param array{int, int} $number
     *
     * @return int|null null where there is no code left
     */
    public function codeOf(array $number): ?int
    {
        $text = NumberColumn::toText(...$number);
        $key = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;
        if (!isset($this->codes[$key])) {
            if (count($this->numbers) === self::MAX_CODES) {
                return null;
            }
            $this->numbers[] = $number;
            $this->codes[$key] = count($this->numbers);
        }

        return $this->codes[$key];
    }

    /** @return list<int> over so many decimals */
    public function integers(int $decimals): array
    {
        return array_map(static fn(array $number): int => $number[0] * 10 ** ($decimals - $number[1]), $this->numbers);
    }

    /** @return list<string> decimal texts */
    public function texts(): array
    {
        return array_map(static fn(array $number): string => NumberColumn::toText(...$number), $this->numbers);
    }
}
