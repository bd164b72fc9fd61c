<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\RowGrouping;

/**
 * What groups are called: labels as they stand, classes of a number with the marks of whoever reads them. They are kept with the standard's, and
 * asked for with anybody's.
 */
final class GroupLabels
{
    /**
     * @param list<Variable>          $by     what splits the rows
     * @param list<list<string|null>> $groups with the standard's marks
     *
     * @return list<list<string|null>>
     */
    public static function written(array $by, array $groups): array
    {
        if (!self::hasClasses($by)) {
            return $groups;
        }
        $marks = NumberMarks::inForce();

        return array_map(static fn(array $labels): array => array_map(
            static fn(?string $label, Variable $split): ?string => $label === null || $split->type !== VariableType::Number ? $label : $marks->rewritten($label),
            $labels,
            $by,
        ), $groups);
    }

    /**
     * @param list<Variable>          $by
     * @param list<list<string|null>> $groups
     *
     * @return int|null the place of the group of that name
     */
    public static function place(array $by, array $groups, string $name): ?int
    {
        $names = array_map(RowGrouping::name(...), $groups);
        $place = array_search($name, $names, true);
        if ($place === false && self::hasClasses($by)) {
            $same = array_keys(array_filter($names, static fn(string $own): bool => NumberMarks::saySame($own, $name)));
            $place = count($same) === 1 ? $same[0] : false;
        }

        return $place === false ? null : $place;
    }

    /** @param list<Variable> $by */
    private static function hasClasses(array $by): bool
    {
        return in_array(VariableType::Number, array_map(static fn(Variable $split): VariableType => $split->type, $by), true);
    }
}
