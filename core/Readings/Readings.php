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
        return self::said(self::aboutNumbers(), $subject, $subject->column);
    }

    /** @return list<Reading> of the groups of a number variable beside one another */
    public static function ofGroups(GroupsSubject $subject): array
    {
        return $subject->areEnough() ? self::said(self::aboutGroups(), $subject, null) : [];
    }

    /** @return list<Reading> of the labels of a category */
    public static function ofLabels(LabelsSubject $subject): array
    {
        return self::said(self::aboutLabels(), $subject, $subject->column);
    }

    /** @return list<Reading> of classes with counts */
    public static function ofClasses(ClassesSubject $subject): array
    {
        return self::said(self::aboutClasses(), $subject, $subject->column);
    }

    /** @return list<Reading> of two groups against each other */
    public static function ofComparedGroups(GroupsAgainst $subject): array
    {
        return self::said(self::aboutComparedGroups(), $subject, null);
    }

    /** @return list<Reading> of the same rows earlier and later */
    public static function ofComparedPairs(PairsAgainst $subject): array
    {
        return self::said(self::aboutComparedPairs(), $subject, null);
    }

    /** @return non-empty-array<string, list<Rule<*>>> all of them, by what they speak of */
    public static function rules(): array
    {
        return [
            'a number' => self::aboutNumbers(),
            'groups' => self::aboutGroups(),
            'labels' => self::aboutLabels(),
            'classes' => self::aboutClasses(),
            'two groups compared' => self::aboutComparedGroups(),
            'the same rows compared' => self::aboutComparedPairs(),
        ];
    }

    /** @return list<Rule<NumberSubject>> */
    private static function aboutNumbers(): array
    {
        return [
            new Number\Constant(), new Number\OneValueDominates(), new Number\Missing(), new Number\Few(), new Number\OutlyingValues(),
            new Number\RoundedByEye(), new Number\LongTail(), new Number\FarValues(), new Number\Centre(), new Number\AgainstNormal(),
            new Number\WithinSpread(), new Number\ConventionMatters(), new Number\CommonestValues(), new Number\CountsUnit(), new Number\ClassesCost(),
            new Number\MiddleHalf(),
        ];
    }

    /** @return list<Rule<GroupsSubject>> */
    private static function aboutGroups(): array
    {
        return [
            new Groups\Centres(), new Groups\OrderDiffers(), new Groups\Spreads(), new Groups\Apart(), new Groups\Small(),
        ];
    }

    /** @return list<Rule<LabelsSubject>> */
    private static function aboutLabels(): array
    {
        return [new Labels\Commonest()];
    }

    /** @return list<Rule<ClassesSubject>> */
    private static function aboutClasses(): array
    {
        return [new Labels\OpenClass()];
    }

    /** @return list<Rule<GroupsAgainst>> */
    private static function aboutComparedGroups(): array
    {
        return [new Compared\Difference(), new Compared\ChanceAbove(), new Compared\RangeAgainstMiddle(), new Compared\CentreAgainstSpread()];
    }

    /** @return list<Rule<PairsAgainst>> */
    private static function aboutComparedPairs(): array
    {
        return [new Compared\Change(), new Compared\SteadyOrMixed()];
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
