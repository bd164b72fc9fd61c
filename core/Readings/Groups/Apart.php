<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Groups;

use Brick\Math\BigRational;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Readings\GroupsSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Values\Exact;

/**
 * Half of one group lies wholly above half of another.
 *
 * Misleads    Middle halves that touch can still be far apart on average, and the reverse.
 *
 * @implements Rule<GroupsSubject>
 */
final readonly class Apart implements Rule
{
    public function key(): string
    {
        return 'groups_apart';
    }

    public function rule(): string
    {
        return 'At least 2 groups with 5 values or more: the middle halves of those with the highest and the lowest median do not touch.';
    }

    public function source(): string
    {
        return 'by definition';
    }

    public function of(object $subject): ?Said
    {
        $ends = $subject->extremes(static fn(Observations $group): BigRational => $group->median());
        if ($ends === null || $ends['highest']->isEqualTo($ends['lowest'])) {
            return null;
        }
        $rule = $subject->wording->basis->quartileRule;
        $quartiles = [];
        foreach ($subject->large() as [$name, $group]) {
            $quartiles[] = [$name, $group->quartiles($rule)];
        }
        $of = static fn(array $names): array => array_values(array_filter($quartiles, static fn(array $pair): bool => in_array($pair[0], $names, true)));
        foreach ($of($ends['high']) as [$high, $upper]) {
            foreach ($of($ends['low']) as [$low, $lower]) {
                if ($upper->q1->isGreaterThan($lower->q3)) {
                    return new Said("The middle halves of {$high} and {$low} do not overlap.", ['q1_of_the_higher' => Exact::near($upper->q1), 'q3_of_the_lower' => Exact::near($lower->q3)], 64);
                }
            }
        }

        return null;
    }
}
