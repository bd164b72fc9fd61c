<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Parsing\VariableType;

/** Deals the columns of a table to several readers, so that all have about as much to do. */
final class SharedColumns
{
    private const WORK_OF_ONE = 40;
    /** To cut a column out of the rows, whatever it holds. */
    private const WORK_OF_CUTTING = 3;
    /** Up to so many, a number is a byte. */
    private const FEW_TEXTS = 255;
    /** Up to so many, most cells are remembered from before. */
    private const SOME_TEXTS = 2000;
    private const MOST_READERS = 32;

    /**
     * @param list<RecognisedVariable> $variables as many as there are readers, or more
     * @param int<1, max>              $readers
     *
     * @return list<non-empty-list<int>> positions, ascending, for each reader
     */
    public static function of(array $variables, int $readers): array
    {
        $work = array_map(self::work(...), $variables);
        arsort($work);
        $shares = [];
        $sums = array_fill(0, $readers, 0);
        foreach ($work as $position => $one) {
            $to = (int) array_search(min($sums), $sums, true);
            $shares[$to][] = $position;
            $sums[$to] += $one;
        }
        foreach ($shares as &$share) {
            sort($share);
        }

        return array_values($shares);
    }

    /**
     * How many readers are worth their while, each going over all of the file: about five columns of numbers for each.
     *
     * @param list<RecognisedVariable> $variables
     *
     * @return int<1, max>
     */
    public static function readers(array $variables): int
    {
        $work = array_sum(array_map(self::work(...), $variables));

        return max(1, min(count($variables), self::MOST_READERS, max(2, (int) ceil($work / self::WORK_OF_ONE))));
    }

    /** How long a column takes beside others, roughly, as measured. */
    private static function work(RecognisedVariable $variable): int
    {
        return self::WORK_OF_CUTTING + match ($variable->type) {
            VariableType::Category => 2,
            VariableType::Id, VariableType::Text => 3,
            VariableType::Number => match (true) {
                $variable->texts <= self::FEW_TEXTS => 2,
                $variable->texts <= self::SOME_TEXTS => 4,
                default => 6,
            },
            VariableType::Date => 9,
        };
    }
}
