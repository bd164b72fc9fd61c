<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * The labels of a column that may be classes: how their numbers are written is decided for all of them together, as for cells.
 */
final readonly class ClassLabels
{
    private const MOST = 100;
    private const FEWEST = 2;

    /** @param list<ClassLabel|null> $classes null = reads as none */
    private function __construct(
        public array $classes,
        /** @var '.'|',' */
        public string $decimalMark,
    ) {}

    /**
     * @param list<string> $labels      no two alike
     * @param '.'|','|null $decimalMark where it is known; null = as the labels show it
     */
    public static function of(array $labels, ?string $decimalMark = null): self
    {
        $mark = $decimalMark ?? self::decimalMark($labels, null);
        $classes = array_map(static fn(string $label): ?ClassLabel => ClassLabel::parse($label, $mark), $labels);
        // One value is a class only beside others that are more than that.
        $hasMore = array_filter($classes, static fn(?ClassLabel $class): bool => $class !== null && !$class->isSingle) !== [];

        return new self($hasMore ? $classes : array_map(static fn(): ?ClassLabel => null, $classes), $mark);
    }

    /**
     * Whether they read as classes; one of them may be a total.
     *
     * @param list<string> $labels no two alike
     */
    public static function areClasses(array $labels): bool
    {
        if (count($labels) < self::FEWEST || count($labels) > self::MOST) {
            return false;
        }
        $others = count(array_filter(self::of($labels)->classes, static fn(?ClassLabel $class): bool => $class === null || ($class->low !== null && $class->high?->isLessThan($class->low) === true)));

        return $others <= 1 && count($labels) - $others >= self::FEWEST;
    }

    /**
     * Whether labels that are numbers, but for some, are classes all the same: 0, 1, 2, 3, 4+. Each stands there once, the last is open.
     *
     * @param list<string> $cells
     */
    public static function areValuesWithAnOpenEnd(array $cells): bool
    {
        $last = $cells[count($cells) - 1] ?? '';

        return count(array_unique($cells)) === count($cells) && NumberText::parse($last) === null && NumberText::parse($last, ',') === null
            && self::areClasses($cells) && !in_array(null, self::of($cells)->classes, true);
    }

    /**
     * The mark before decimals: shown by a number beyond doubt, else by the table about it; where nothing shows it, a comma before
     * three digits stands between thousands and a point before decimals.
     *
     * @param list<string> $labels
     * @param '.'|','|null $shown  by other columns of the table
     *
     * @return '.'|','
     */
    public static function decimalMark(array $labels, ?string $shown): string
    {
        $numbers = self::markedNumbers($labels);
        foreach (['.', ','] as $mark) {
            if (NumberStyle::showDecimalMark($numbers, $mark)) {
                return $mark;
            }
        }

        return $shown ?? '.';
    }

    /**
     * The first label whose mark could be the other one, where neither the labels nor the table show it.
     *
     * @param list<string> $labels
     * @param '.'|','|null $shown
     */
    public static function open(array $labels, ?string $shown): ?string
    {
        $numbers = self::markedNumbers($labels);
        if ($shown !== null || $numbers === [] || NumberStyle::showDecimalMark($numbers, '.') || NumberStyle::showDecimalMark($numbers, ',')
            || array_filter($numbers, static fn(string $number): bool => preg_match('/([.,])\d{3}\1|^\d{4}/', $number) === 1) !== []) {
            return null;
        }
        foreach ($labels as $label) {
            if (preg_match('/\d[.,]\d{3}(?!\d)/', ClassLabel::withSeparator($label)) === 1) {
                return $label;
            }
        }

        return null;
    }

    /**
     * @param list<string> $labels
     *
     * @return list<string> the numbers in them that have a mark
     */
    private static function markedNumbers(array $labels): array
    {
        preg_match_all('/\d+(?:[.,]\d+)+|(?<!\d)[.,]\d+/', implode("\n", array_map(ClassLabel::withSeparator(...), $labels)), $found);

        // A decimal without a nought before it is one beyond doubt.
        return array_map(static fn(string $number): string => ctype_digit($number[0]) ? $number : "0{$number}", $found[0]);
    }
}
