<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigDecimal;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\Reason;

/** The values with the largest count, and that count; or why there are none. One distinct value is its own mode. */
final readonly class Modes
{
    /** @param list<BigDecimal> $values ascending */
    private function __construct(
        public array $values,
        /** in the unit of the counts */
        public int $count,
        public ?Figure $reason,
    ) {}

    public static function of(OrderedValues $values): self
    {
        $most = 0;
        $least = PHP_INT_MAX;
        $ranks = [];
        $rank = 0;
        foreach ($values->slices() as [, $counts]) {
            foreach ($counts as $count) {
                $rank += $count;
                if ($count > $most) {
                    $most = $count;
                    $ranks = [$rank];
                } elseif ($count === $most) {
                    $ranks[] = $rank;
                }
                $least = min($least, $count);
            }
        }
        if ($least === $most && count($ranks) > 1) {
            return new self([], 0, Figure::undefined($most === 1 ? Reason::NoValueRepeats : Reason::AllEquallyFrequent));
        }

        return new self(array_map($values->at(...), $ranks), $most, null);
    }
}
