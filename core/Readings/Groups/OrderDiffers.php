<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Groups;

use Brick\Math\BigRational;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Readings\GroupsSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;
use RowTally\Core\Values\Exact;

/**
 * Mean and median do not put the groups in the same order.
 *
 * Misleads    Neither order is the right one: a tail in one group makes them differ.
 *
 * @implements Rule<GroupsSubject>
 */
final readonly class OrderDiffers implements Rule
{
    public function key(): string
    {
        return 'groups_order_differs';
    }

    public function rule(): string
    {
        return 'At least 2 groups with 5 values or more, and none of those with the highest mean has the highest median.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $means = $subject->extremes(static fn(Observations $group): BigRational => $group->mean());
        $medians = $subject->extremes(static fn(Observations $group): BigRational => $group->median());
        if ($means === null || $medians === null || array_intersect($means['high'], $medians['high']) !== []) {
            return null;
        }
        $verb = static fn(array $names): string => count($names) === 1 ? 'has' : 'have';

        return new Said(
            Wording::list($means['high']) . " {$verb($means['high'])} the highest mean but " . Wording::list($medians['high']) . ' the highest median.',
            ['mean' => Exact::near($means['highest']), 'median' => Exact::near($medians['highest'])],
            62,
        );
    }
}
