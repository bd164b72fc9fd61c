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
 * Groups that vary very differently.
 *
 * Misleads    A far row makes a large SD: look at the middle halves too.
 *
 * @implements Rule<GroupsSubject>
 */
final readonly class Spreads implements Rule
{
    public function key(): string
    {
        return 'groups_spread';
    }

    public function rule(): string
    {
        return 'Among groups with 5 values or more the largest SD is more than twice the smallest, which is above 0.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $basis = $subject->wording->basis;
        $ends = $subject->extremes(static fn(Observations $group): ?BigRational => $group->variance($basis->takenAs));
        // Variances: twice the SD is four times the variance.
        if ($ends === null || $ends['lowest']->getSign() === 0 || !$ends['highest']->isGreaterThan($ends['lowest']->multipliedBy(4))) {
            return null;
        }
        [$high, $low] = [Exact::squareRoot($ends['highest']) ?? INF, Exact::squareRoot($ends['lowest']) ?? 0.0];
        $wording = $subject->wording;
        $verb = count($ends['high']) === 1 ? 'varies' : 'vary';

        return new Said(
            Wording::list($ends['high']) . " {$verb} most (SD {$wording->number($high)}), " . Wording::ratio($high / $low, 1) . ' times as much as ' . Wording::list($ends['low']) . " (SD {$wording->number($low)}).",
            ['largest' => $high, 'smallest' => $low, 'ratio' => $high / $low],
            57,
        );
    }
}
