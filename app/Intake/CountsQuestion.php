<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Parsing\ClassLabels;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\VariableType;

/**
 * Whether a table seems to hold classes, or values, with how many there are of each: a question to whoever brings it in, never taken for granted.
 *
 * It is asked where the labels of a column read as classes (one may be a total) and another column could be counts, and where a table
 * is of two numbers, the first ascending or descending without repeats, the second without negatives.
 */
final readonly class CountsQuestion
{
    private const FEWEST_ROWS = 2;
    private const MOST_VALUES = 200;

    /** @param list<int> $candidates places of columns that could be the counts; of limits, the place of the upper ones */
    private function __construct(
        public string $kind,
        public int $of,
        public array $candidates,
    ) {}

    /**
     * @param list<RecognisedVariable> $variables
     * @param list<list<string>>       $rows      cells that count, in the shape of the table
     */
    public static function of(array $variables, array $rows): ?self
    {
        if (count($rows) < self::FEWEST_ROWS) {
            return null;
        }
        $taken = array_keys(array_filter($variables, static fn(RecognisedVariable $variable): bool => $variable->isTaken));
        $candidates = array_values(array_filter($taken, static fn(int $place): bool => $variables[$place]->type === VariableType::Number
            && self::areNoNegatives(array_column($rows, $place), $variables[$place])));
        foreach ($taken as $place) {
            if ($candidates !== [] && $variables[$place]->type === VariableType::Category && self::areClasses(array_column($rows, $place))) {
                return new self('classes', $place, $candidates);
            }
        }
        foreach (array_slice($taken, 0, -1) as $i => $low) {
            $high = $taken[$i + 1];
            if ($variables[$low]->type === VariableType::Number && $variables[$high]->type === VariableType::Number && array_diff($candidates, [$low, $high]) !== [] && self::areLimits($rows, $variables, $low, $high)) {
                return new self('limits', $low, [$high]);
            }
        }
        if (count($taken) === 2 && count($rows) <= self::MOST_VALUES && $variables[$taken[0]]->type === VariableType::Number && in_array($taken[1], $candidates, true)
            && self::areInOrder(self::numbers(array_column($rows, $taken[0]), $variables[$taken[0]]))) {
            return new self('values', $taken[0], [$taken[1]]);
        }

        return null;
    }

    /** @param list<string> $cells */
    private static function areClasses(array $cells): bool
    {
        return ClassLabels::areClasses(array_values(array_unique(array_filter($cells, static fn(string $cell): bool => !NumberText::isBlank($cell)))));
    }

    /** @param list<string> $cells */
    private static function areNoNegatives(array $cells, RecognisedVariable $variable): bool
    {
        $numbers = self::numbers($cells, $variable);

        return $numbers !== [] && min($numbers) >= 0.0;
    }

    /**
     * Each row runs upwards and begins where the one before has ended, or later; the outermost may be open.
     *
     * @param list<list<string>>       $rows
     * @param list<RecognisedVariable> $variables
     */
    private static function areLimits(array $rows, array $variables, int $low, int $high): bool
    {
        $before = -INF;
        $last = count($rows) - 1;
        foreach ($rows as $i => $row) {
            $from = self::numbers([$row[$low]], $variables[$low])[0] ?? ($i === 0 ? -INF : null);
            $to = self::numbers([$row[$high]], $variables[$high])[0] ?? ($i === $last ? INF : null);
            if ($from === null || $to === null || $from >= $to || $from < $before) {
                return false;
            }
            $before = $to;
        }

        return $last > 0;
    }

    /** @param list<float> $numbers */
    private static function areInOrder(array $numbers): bool
    {
        $sorted = array_values(array_unique($numbers));
        sort($sorted);

        return count($numbers) > self::FEWEST_ROWS && ($numbers === $sorted || $numbers === array_reverse($sorted));
    }

    /**
     * @param list<string> $cells
     *
     * @return list<float>
     */
    private static function numbers(array $cells, RecognisedVariable $variable): array
    {
        $numbers = [];
        foreach ((new PlainCells([]))->of($cells, $variable) as $plain) {
            $number = NumberText::isBlank($plain) ? null : NumberText::parse($plain, $variable->style->decimalMark);
            if ($number !== null) {
                $numbers[] = is_array($number) ? $number[0] / 10 ** $number[1] : $number;
            }
        }

        return $numbers;
    }
}
