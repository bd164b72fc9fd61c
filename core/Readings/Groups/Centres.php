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
 * Which groups lie highest and lowest, and how far apart.
 *
 * Misleads    The highest of many groups is high by chance as well: read the sizes beside it.
 *
 * @implements Rule<GroupsSubject>
 */
final readonly class Centres implements Rule
{
    public function key(): string
    {
        return 'groups_centre';
    }

    public function rule(): string
    {
        return 'At least 2 groups with 5 values or more; over those.';
    }

    public function source(): string
    {
        return 'by definition';
    }

    public function of(object $subject): ?Said
    {
        $ends = $subject->extremes(static fn(Observations $group): BigRational => $group->mean());
        if ($ends === null) {
            return null;
        }
        $wording = $subject->wording;
        $figures = ['highest' => Exact::near($ends['highest']), 'lowest' => Exact::near($ends['lowest']), 'difference' => Exact::near($ends['highest']->minus($ends['lowest']))];
        if ($ends['highest']->isEqualTo($ends['lowest'])) {
            return new Said("All groups have the same mean ({$wording->inUnit($ends['highest'])}).", $figures, 40);
        }
        [$high, $apart] = $wording->apart($ends['lowest'], $ends['highest']);
        $variance = $subject->overall->variance($wording->basis->takenAs);
        $sds = $variance === null || $variance->getSign() === 0 ? null : $figures['difference'] / (Exact::squareRoot($variance) ?? INF);
        $verb = static fn(array $names): string => count($names) === 1 ? 'has' : 'have';
        $low = count($ends['low']) === 1 ? Wording::list($ends['low']) . ' the lowest' : Wording::list($ends['low']) . ' share the lowest';

        return new Said(
            Wording::list($ends['high']) . " {$verb($ends['high'])} the highest mean ({$high}{$wording->unitBehind()}), {$low} (" . $wording->apart($ends['highest'], $ends['lowest'])[0] . "): {$apart}{$wording->unitBehind()} apart"
                . ($sds === null ? '.' : ', ' . Wording::ratio($sds, 1) . ' overall SDs.'),
            [...$figures, 'overall_sds' => $sds],
            50 + (int) min(25, 15 * ($sds ?? 0.0)),
        );
    }
}
