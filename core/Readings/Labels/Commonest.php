<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Labels;

use RowTally\Core\Display\Percent;
use RowTally\Core\Readings\LabelsSubject;
use RowTally\Core\Readings\RowWord;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;

/**
 * The label that most rows have.
 *
 * Misleads    It may still be a small part of all where there are many labels.
 *
 * @implements Rule<LabelsSubject>
 */
final readonly class Commonest implements Rule
{
    public function key(): string
    {
        return 'commonest';
    }

    public function rule(): string
    {
        return 'At least 2 rows have an entry; ties are named, up to five.';
    }

    public function source(): string
    {
        return 'by definition';
    }

    public function of(object $subject): ?Said
    {
        $n = array_sum($subject->counts);
        if ($subject->counts === [] || $n < 2 * 10 ** $subject->countDecimals) {
            return null;
        }
        $most = max($subject->counts);
        $labels = array_map(static fn(int $place): string => $subject->labels[$place], array_keys($subject->counts, $most, true));
        $rows = RowWord::number($most, $subject->countDecimals);
        $share = "{$rows} of " . RowWord::number($n, $subject->countDecimals) . ', ' . Percent::text($most, $n) . ' %';
        $figures = ['count' => $subject->countDecimals === 0 ? $most : $most / 10 ** $subject->countDecimals, 'share' => $most / $n, 'labels' => count($labels)];

        return new Said(
            Wording::some($labels, 5) . (count($labels) === 1 ? " is commonest ({$share})." : " are commonest, each with {$share}."),
            $figures,
            10 + (int) (40 * $most / $n),
        );
    }
}
