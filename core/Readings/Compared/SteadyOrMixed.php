<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Compared;

use RowTally\Core\Display\Percent;
use RowTally\Core\Readings\PairsAgainst;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;

/**
 * A mean change that few rows share.
 *
 * Misleads    Rows that hardly changed count as those that changed much.
 *
 * @implements Rule<PairsAgainst>
 */
final readonly class SteadyOrMixed implements Rule
{
    public function key(): string
    {
        return 'steady_or_mixed';
    }

    public function rule(): string
    {
        return 'Rows that rose and rows that fell are each 25 % or more of those with both.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $n = $subject->compared->changes->n();
        [$rose, $fell] = [$subject->compared->rose(), $subject->compared->fell()];
        if ($n === 0 || 4 * $rose < $n || 4 * $fell < $n) {
            return null;
        }

        return new Said('The mean hides a mixed picture: ' . Percent::text($rose, $n) . ' % rose, ' . Percent::text($fell, $n) . ' % fell.', ['rose' => $rose / $n, 'fell' => $fell / $n], 72);
    }
}
