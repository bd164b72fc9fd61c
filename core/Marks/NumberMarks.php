<?php

declare(strict_types=1);

namespace RowTally\Core\Marks;

use Closure;

/**
 * The marks with which somebody writes numbers and days: what stands before decimals, between thousands, before a negative number, and in
 * which order a day is told. Every number for the eye goes through those in force; machine forms do not.
 *
 * Definition  figures have a mark between thousands from five digits on and counts from four, as ISO 80000-1 (7.3.1) leaves a number of four
 *             digits whole. Decimals are never grouped.
 * In force    the standard ones (1234.5; 1,204 rows; 2026-03-21), but while something runs under others: the one thing of the core that is not
 *             handed from hand to hand, for it concerns every text and decides no figure (decision 0044).
 * Cost        O(digits); the standard ones touch nothing.
 */
final class NumberMarks
{
    public const DECIMAL = ['point' => '.', 'comma' => ','];
    /** By the word in which they are chosen. No breaking within a number; the apostrophe is the one of print. */
    public const THOUSANDS = ['none' => '', 'blank' => "\u{A0}", 'point' => '.', 'comma' => ',', 'apostrophe' => '’'];
    public const MINUS = ['minus' => '−', 'hyphen' => '-'];
    public const DAYS = ['year-first', 'day-first-points', 'day-first', 'month-first'];
    /** Between thousands only in counts: commas, or blanks beside a decimal comma. */
    public const COUNTS_ONLY = 'counts';

    /** In texts that are kept, numbers stand between these, so that they can be written for whoever reads them. */
    private const KEPT_COUNT = "\u{E0C1}";
    private const KEPT_NUMBER = "\u{E0C3}";
    private const KEPT_END = "\u{E0C2}";
    private const GROUPED_FROM = 5;

    private static ?self $inForce = null;

    private readonly string $inFigures;
    private readonly string $inCounts;
    public readonly bool $isStandard;

    public function __construct(
        public readonly string $decimal = 'point',
        public readonly string $thousands = self::COUNTS_ONLY,
        public readonly string $minus = 'minus',
        public readonly string $days = 'year-first',
    ) {
        $this->inFigures = self::THOUSANDS[$thousands] ?? '';
        $this->inCounts = self::THOUSANDS[$thousands] ?? ($decimal === 'comma' ? self::THOUSANDS['blank'] : ',');
        $this->isStandard = $decimal === 'point' && $thousands === self::COUNTS_ONLY && $minus === 'minus' && $days === 'year-first';
    }

    /** Of words as they are kept; what is no such word is as the standard has it, and no mark stands for two things. */
    public static function ofWords(mixed $words): self
    {
        $word = static fn(string $name, array $choices, string $default): string => is_array($words) && is_string($words[$name] ?? null) && in_array($words[$name], $choices, true) ? $words[$name] : $default;
        $decimal = $word('decimal', array_keys(self::DECIMAL), 'point');
        $thousands = $word('thousands', array_keys(self::THOUSANDS), self::COUNTS_ONLY);

        return new self($decimal, $thousands === $decimal ? self::COUNTS_ONLY : $thousands, $word('minus', array_keys(self::MINUS), 'minus'), $word('days', self::DAYS, 'year-first'));
    }

    /** @return array{decimal: string, thousands: string, minus: string, days: string} */
    public function toWords(): array
    {
        return ['decimal' => $this->decimal, 'thousands' => $this->thousands, 'minus' => $this->minus, 'days' => $this->days];
    }

    public static function inForce(): self
    {
        return self::$inForce ??= new self();
    }

    /**
     * What is written meanwhile is written with these marks.
     *
     * @template T
     *
     * @param Closure(): T $write
     *
     * @return T
     */
    public function during(Closure $write): mixed
    {
        $before = self::$inForce;
        self::$inForce = $this;
        try {
            return $write();
        } finally {
            self::$inForce = $before;
        }
    }

    /**
     * A number with these marks; what stands behind its digits (a power of ten, an ellipsis) stays.
     *
     * @param string $plain as 1234.5, −1234.5 or -1234.5
     */
    public function written(string $plain): string
    {
        if ($this->isStandard) {
            return $plain[0] === '-' ? '−' . substr($plain, 1) : $plain;
        }

        return preg_match('/^([−-]?)([0-9]+)(?:\.([0-9]+))?(.*)$/Dsu', $plain, $part) !== 1 ? $plain
            : ($part[1] === '' ? '' : self::MINUS[$this->minus]) . (strlen($part[2]) < self::GROUPED_FROM ? $part[2] : self::grouped($part[2], $this->inFigures))
                . ($part[3] === '' ? '' : self::DECIMAL[$this->decimal] . $part[3]) . $part[4];
    }

    /**
     * A number of things with the marks in force: "1,204".
     *
     * @param int|float $count    0 or more
     * @param int       $decimals at most, where it is not whole
     */
    public static function count(int|float $count, int $decimals = 0): string
    {
        return self::inForce()->counted($count, $decimals);
    }

    private function counted(int|float $count, int $decimals = 0): string
    {
        if ($this->isStandard && is_int($count)) {
            return number_format($count);
        }
        $decimals = is_int($count) || $count === floor($count) ? 0 : $decimals;
        $text = number_format($count, $decimals, '.', '');
        [$whole, $behind] = [...explode('.', $decimals === 0 ? $text : rtrim($text, '0'), 2), ''];

        return self::grouped($whole, $this->inCounts) . ($behind === '' ? '' : self::DECIMAL[$this->decimal] . $behind);
    }

    /** Of the standard, what was typed stays as it was typed. */
    private function writtenAsTyped(string $plain): string
    {
        return $this->isStandard ? $plain : $this->written($plain);
    }

    /** A number of things in a text that is kept: `read()` writes it for whoever reads it. */
    public static function keptCount(int $count): string
    {
        return self::KEPT_COUNT . $count . self::KEPT_END;
    }

    /** A number in a text that is kept, as machines write it; what is none stays as it is. */
    public static function keptNumber(string $plain): string
    {
        return preg_match('/^-?[0-9]+(?:\.[0-9]+)?$/D', $plain) === 1 ? self::KEPT_NUMBER . $plain . self::KEPT_END : $plain;
    }

    /** A text that was kept, with the numbers in it as they are written here. */
    public function read(string $kept): string
    {
        return str_contains($kept, self::KEPT_END)
            ? (string) preg_replace_callback(
                '/(' . self::KEPT_COUNT . '|' . self::KEPT_NUMBER . ')([^' . self::KEPT_END . ']*)' . self::KEPT_END . '/u',
                fn(array $part): string => $part[1] === self::KEPT_COUNT ? $this->counted((int) $part[2]) : $this->writtenAsTyped($part[2]),
                $kept,
            )
            : $kept;
    }

    /** A text of figures in the standard's marks, such as "5.8 to 12.3", with these. Numbers in names are none. */
    public function rewritten(string $standard): string
    {
        return $this->isStandard ? $standard : (string) preg_replace_callback(
            '/(?<![\p{L}\p{N}_.,])(−?)([0-9]{1,3}(?:,[0-9]{3})+|[0-9]+)((?:\.[0-9]+)?)(?![\p{L}\p{N}_])/u',
            fn(array $part): string => str_contains($part[2], ',') ? $this->counted((int) str_replace(',', '', $part[2])) : $this->written($part[1] . $part[2] . $part[3]),
            $standard,
        );
    }

    /** Whether two texts are the same but for the marks of their numbers: they may have been written for two people. */
    public static function saySame(string $one, string $other): bool
    {
        $number = '/([−-]?[0-9](?:[0-9.,’\x{A0}]*[0-9])?)/u';
        $parts = [preg_split($number, $one, -1, PREG_SPLIT_DELIM_CAPTURE), preg_split($number, $other, -1, PREG_SPLIT_DELIM_CAPTURE)];
        if ($one === $other || $parts[0] === false || $parts[1] === false || count($parts[0]) !== count($parts[1])) {
            return $one === $other;
        }
        foreach ($parts[0] as $i => $part) {
            $isSame = $i % 2 === 0 ? $part === $parts[1][$i] : array_intersect(self::possible($part), self::possible($parts[1][$i])) !== [];
            if (!$isSame) {
                return false;
            }
        }

        return true;
    }

    /** @return non-empty-list<string> the numbers that a text can be, as machines write them */
    private static function possible(string $written): array
    {
        $text = str_replace(['−', '’', "\u{A0}"], ['-', '', ''], $written);
        $last = max((int) strrpos($text, '.'), (int) strrpos($text, ','));
        if ($last === 0) {
            return [$text];
        }
        $mark = $text[$last];
        $whole = str_replace(['.', ','], '', substr($text, 0, $last));
        $behind = substr($text, $last + 1);
        $isOpen = substr_count($text, $mark) === 1 && preg_match('/^-?[0-9]{1,3}$/D', substr($text, 0, $last)) === 1 && strlen($behind) === 3;

        return match (true) {
            substr_count($text, $mark) > 1 => [$whole . $behind],
            $isOpen => ["{$whole}.{$behind}", $whole . $behind],
            default => ["{$whole}.{$behind}"],
        };
    }

    /** Between the numbers of a list: a comma, where it is no decimal mark. */
    public function between(): string
    {
        return $this->decimal === 'comma' ? '; ' : ', ';
    }

    /** A day as 2026-03-21, with or without a time behind it, in this order; anything else stays as it is. */
    public function day(string $iso): string
    {
        if ($this->days === 'year-first' || preg_match('/^([0-9]{4})-([0-9]{2})-([0-9]{2})(?:T(.*))?$/Ds', $iso, $part) !== 1) {
            return $iso;
        }

        return match ($this->days) {
            'day-first-points' => "{$part[3]}.{$part[2]}.{$part[1]}",
            'day-first' => "{$part[3]}/{$part[2]}/{$part[1]}",
            default => "{$part[2]}/{$part[3]}/{$part[1]}",
        } . (isset($part[4]) ? " {$part[4]}" : '');
    }

    private static function grouped(string $digits, string $mark): string
    {
        return $mark === '' ? $digits : strrev(implode(strrev($mark), str_split(strrev($digits), 3)));
    }
}
