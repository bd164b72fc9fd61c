<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

use RowTally\Core\Grouped\ClassCost;
use RowTally\Core\Observations\Observations;

/** The one list of rules, in the order in which they are listed where they weigh the same. */
final class Readings
{
    /**
     * Everything of one number variable, the heaviest first: overall, in each group, and of the groups beside one another.
     *
     * @param non-empty-list<array{string|null, Observations}> $columns overall, which has no name, then each shown group
     * @param NamesRows|null                                   $labels  null = rows have no names
     * @param list<ClassCost>                                  $costs   what its classes cost; empty = it has none
     *
     * @return list<Reading>
     */
    public static function ofVariable(string $name, array $columns, Wording $wording, ?NamesRows $labels = null, array $costs = []): array
    {
        $readings = [];
        $groups = [];
        foreach ($columns as $i => [$column, $observations]) {
            array_push($readings, ...self::ofNumber(new NumberSubject($name, $observations, $wording, $column, $labels, $i, $costs)));
            if ($column !== null) {
                $groups[] = [$column, $observations];
            }
        }
        if ($groups !== []) {
            array_push($readings, ...self::ofGroups(new GroupsSubject($columns[0][1], $groups, $wording)));
        }

        return self::heaviest($readings);
    }

    /**
     * Of one number variable, overall or in a group, the heaviest first.
     *
     * @return list<Reading>
     */
    public static function ofNumber(NumberSubject $subject): array
    {
        return self::said([
            new Number\Constant(), new Number\OneValueDominates(), new Number\Missing(), new Number\Few(), new Number\OutlyingValues(),
            new Number\RoundedByEye(), new Number\LongTail(), new Number\FarValues(), new Number\Centre(), new Number\AgainstNormal(),
            new Number\WithinSpread(), new Number\ConventionMatters(), new Number\CommonestValues(), new Number\CountsUnit(), new Number\ClassesCost(),
            new Number\MiddleHalf(),
        ], $subject, $subject->column);
    }

    /** @return list<Reading> of the groups of a number variable beside one another */
    public static function ofGroups(GroupsSubject $subject): array
    {
        return $subject->areEnough() ? self::said([
            new Groups\Centres(), new Groups\OrderDiffers(), new Groups\Spreads(), new Groups\Apart(), new Groups\Small(),
        ], $subject, null) : [];
    }

    /** @return list<Reading> of the labels of a category */
    public static function ofLabels(LabelsSubject $subject): array
    {
        return self::said([new Labels\Commonest()], $subject, $subject->column);
    }

    /** @return list<Reading> of classes with counts */
    public static function ofClasses(ClassesSubject $subject): array
    {
        return self::said([new Labels\OpenClass()], $subject, $subject->column);
    }

    /** @return list<Reading> of two groups against each other */
    public static function ofComparedGroups(GroupsAgainst $subject): array
    {
        return self::said([new Compared\Difference(), new Compared\ChanceAbove(), new Compared\RangeAgainstMiddle(), new Compared\CentreAgainstSpread()], $subject, null);
    }

    /** @return list<Reading> of the same rows earlier and later */
    public static function ofComparedPairs(PairsAgainst $subject): array
    {
        return self::said([new Compared\Change(), new Compared\SteadyOrMixed()], $subject, null);
    }

    /**
     * The heaviest of many, those of equal weight in their order.
     *
     * @param list<Reading> $readings
     *
     * @return list<Reading>
     */
    public static function heaviest(array $readings): array
    {
        usort($readings, static fn(Reading $one, Reading $other): int => $other->weight <=> $one->weight);

        return $readings;
    }

    /**
     * @template S of object
     *
     * @param list<Rule<S>> $rules
     * @param S             $subject
     *
     * @return list<Reading>
     */
    private static function said(array $rules, object $subject, ?string $column): array
    {
        $readings = [];
        foreach ($rules as $rule) {
            $said = $rule->of($subject);
            if ($said !== null) {
                $readings[] = new Reading($rule->key(), $column, $said->sentence, $said->figures, $rule->rule(), $rule->source(), max(0, min(100, $said->weight)));
            }
        }

        return self::heaviest($readings);
    }
}
