<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use Brick\Math\BigDecimal;
use RowTally\Core\Display\Percent;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;

/**
 * Very many rows have one and the same value.
 *
 * Misleads    Zeros may be true zeros or stand for missing: only whoever took them knows.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class OneValueDominates implements Rule
{
    public function key(): string
    {
        return 'one_value_dominates';
    }

    public function rule(): string
    {
        return 'At least 20 values, and one value has 25 % of them or more.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $n = $subject->n();
        if (!$subject->hasAtLeast(20)) {
            return null;
        }
        $parts = $figures = [];
        $most = 0;
        foreach ($this->candidates($subject) as $i => ['value' => $value, 'count' => $count]) {
            $text = $subject->wording->inUnit((float) (string) $value, true);
            $share = Percent::text($count, $n);
            $parts[] = $i === 0
                ? "{$subject->number($count)} of {$subject->rows($n)} ({$share} %) {$subject->verb($count, 'has', 'have')} {$text}"
                : "{$subject->number($count)} ({$share} %) {$text}";
            $figures += $i === 0 ? ['value' => (float) (string) $value, 'count' => $subject->figure($count), 'share' => $count / $n] : [];
            $most = max($most, $count);
        }

        return $parts === [] ? null : new Said(
            implode(', ', $parts) . ($most === $n ? '.' : '; mean and SD say little about the others.'),
            $figures,
            60 + (int) (30 * $most / $n),
        );
    }

    /**
     * A value with a quarter of all has one of the ranks that lie a quarter of n apart.
     *
     * @return list<array{value: BigDecimal, count: int}> the commonest first
     */
    private function candidates(NumberSubject $subject): array
    {
        $values = $subject->observations->values;
        $n = $values->n();
        $found = [];
        foreach (range(1, 4) as $quarter) {
            $rank = max(1, intdiv($quarter * $n, 4));
            foreach ([$rank, min($n, $rank + 1)] as $place) {
                $value = $values->at($place);
                $bound = $value->toBigRational();
                $count = $values->countUpTo($bound) - $values->countBelow($bound);
                if (4 * $count >= $n) {
                    $found[(string) $value . ' '] = ['value' => $value, 'count' => $count];
                }
            }
        }
        usort($found, static fn(array $one, array $other): int => $other['count'] <=> $one['count']);

        return $found;
    }
}
