<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

use RowTally\Core\Display\DecimalText;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Marks\NumberMarks;

/** What a row of the dataset is, in one word: hive and hives. */
final readonly class RowWord
{
    private const LONGEST = 40;

    public function __construct(
        public string $one = 'row',
        public string $many = 'rows',
    ) {}

    /**
     * "hive,hives"; one word serves for both, with an s.
     *
     * @throws NotUnderstood
     */
    public static function ofText(string $text): self
    {
        $words = array_map(trim(...), explode(',', $text));
        if (count($words) > 2 || array_filter($words, static fn(string $word): bool => preg_match('/^[^,\n\r\t]{1,' . self::LONGEST . '}$/u', $word) !== 1) !== []) {
            throw NotUnderstood::noRowWord($text);
        }

        return new self($words[0], $words[1] ?? "{$words[0]}s");
    }

    /** "1 hive", "1,204 hives"; a number of rows as the counts have it. */
    public function counted(int $unscaled, int $decimals = 0): string
    {
        return self::number($unscaled, $decimals) . ' ' . $this->of($unscaled, $decimals);
    }

    public function of(int $unscaled, int $decimals = 0): string
    {
        return $unscaled === 10 ** $decimals ? $this->one : $this->many;
    }

    /** "a hive", "an apiary". */
    public function article(): string
    {
        return (preg_match('/^[aeiou]/i', $this->one) === 1 ? 'an ' : 'a ') . $this->one;
    }

    public static function number(int $unscaled, int $decimals = 0): string
    {
        return $decimals === 0 ? NumberMarks::count($unscaled) : DecimalText::of($unscaled / 10 ** $decimals, $decimals);
    }
}
