<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Parsing\VariableType;

/** Deals the columns of a table to two processes, so that both have about as much to do. */
final class SharedColumns
{
    /**
     * @param list<RecognisedVariable> $variables two or more
     *
     * @return array{non-empty-list<int>, non-empty-list<int>} positions, ascending
     */
    public static function of(array $variables): array
    {
        $work = array_map(static fn(RecognisedVariable $variable): int => self::work($variable->type), $variables);
        arsort($work);
        $longest = array_keys($work);
        $shares = [[$longest[0]], [$longest[1]]];
        $sums = [$work[$longest[0]], $work[$longest[1]]];
        foreach (array_slice($work, 2, null, true) as $position => $one) {
            $to = $sums[0] <= $sums[1] ? 0 : 1;
            $shares[$to][] = $position;
            $sums[$to] += $one;
        }
        sort($shares[0]);
        sort($shares[1]);

        return $shares;
    }

    /** How long a column takes beside others, roughly, as measured. */
    private static function work(VariableType $type): int
    {
        return match ($type) {
            VariableType::Category => 2,
            VariableType::Id, VariableType::Text => 3,
            VariableType::Number => 5,
            VariableType::Date => 9,
        };
    }
}
