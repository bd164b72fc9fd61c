<?php

declare(strict_types=1);

namespace RowTally\Core\Profile;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\Bars;
use RowTally\Core\Plots\StackOptions;
use RowTally\Core\Values\Figure;

/** Everything a sheet shows of one number variable: each statistic overall and for every group, and its bars, which the frequency table shares. */
final readonly class NumberProfile
{
    /**
     * @param list<array{statistic: Statistic, figures: list<Figure>}> $rows figures overall, then of each group
     */
    private function __construct(
        public array $rows,
        public ?Bars $bars,
    ) {}

    /**
     * @param list<Observations> $groups     in the order they are shown
     * @param list<Statistic>    $statistics
     */
    public static function of(Observations $overall, array $groups, Basis $basis, ?array $statistics = null, StackOptions $options = new StackOptions()): self
    {
        return new self(self::rows($overall, $groups, $basis, $statistics ?? Catalogue::essentials()), Bars::of($overall, $groups, $basis, $options));
    }

    /**
     * @param list<Observations> $groups
     * @param list<Statistic>    $statistics
     *
     * @return list<array{statistic: Statistic, figures: list<Figure>}> figures overall, then of each group
     */
    public static function rows(Observations $overall, array $groups, Basis $basis, array $statistics): array
    {
        foreach ([$overall, ...$groups] as $group) {
            $group->values->prefetchQuantiles(4);
        }

        return array_map(
            static fn(Statistic $statistic): array => [
                'statistic' => $statistic,
                'figures' => array_map(
                    static fn(Observations $group): Figure => $statistic->of($group, $basis),
                    [$overall, ...$groups],
                ),
            ],
            $statistics,
        );
    }
}
