<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use Brick\Math\BigRational;
use RowTally\Core\Comparison\Superiority;
use RowTally\Core\Normality\AndersonDarling;
use RowTally\Core\Normality\Normality;
use RowTally\Core\Observations\HigherMoments;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Observations\RoundEndings;
use RowTally\Core\Values\Packed;

/** What needs every one of very many values and is the same whatever the basis: kept beside their tally, so that not each asking looks at all of them. */
final class Facts
{
    /** Beyond what Shapiro and Wilk's test takes. */
    private const MANY = 5000;

    /**
     * Skewness and kurtosis.
     *
     * @param list<Observations> $all as `Tallies::numbers()` gives them
     */
    public static function knowShapes(Variable $variable, StoredGrouping $rowGrouping, array $all): void
    {
        $many = self::many($all);
        $known = self::kept($variable, $rowGrouping, TallyKind::Shapes, $many === [] ? 0 : 2 * count($all), static fn(): array => array_merge(
            ...array_map(static fn(int $i): array => isset($many[$i]) ? [$many[$i]->shape()->skewness, $many[$i]->shape()->kurtosis] : [NAN, NAN], array_keys($all)),
        ));
        foreach ($many as $i => $group) {
            $group->know('shape', new HigherMoments($known[2 * $i], $known[2 * $i + 1]));
        }
    }

    /**
     * All that is kept of them: what normality tests need costs ten times what the shapes do.
     *
     * @param list<Observations> $all as `Tallies::numbers()` gives them
     */
    public static function know(Variable $variable, StoredGrouping $rowGrouping, array $all): void
    {
        self::knowShapes($variable, $rowGrouping, $all);
        $many = self::many($all);
        $known = self::kept($variable, $rowGrouping, TallyKind::Normality, $many === [] ? 0 : 1 + count($all), static fn(): array => [
            (float) RoundEndings::of($all[0])->count,
            ...array_map(static fn(int $i): float => isset($many[$i]) ? AndersonDarling::of($many[$i])->statistic->number() ?? NAN : NAN, array_keys($all)),
        ]);
        if ($known !== []) {
            $all[0]->know(RoundEndings::class, new RoundEndings((int) $known[0]));
        }
        foreach ($many as $i => $group) {
            if (!is_nan($known[1 + $i])) {
                $group->know('anderson_darling', AndersonDarling::ofStatistic($known[1 + $i], $group->n()));
            }
        }
    }

    /**
     * @param list<Observations> $all
     *
     * @return array<int, Observations>
     */
    private static function many(array $all): array
    {
        return array_filter($all, static fn(Observations $group): bool => $group->n() > self::MANY && Normality::obstacle($group) === null);
    }

    /**
     * @param callable(): list<float> $work
     *
     * @return list<float> so many; worked out only where they are not kept
     */
    private static function kept(Variable $variable, StoredGrouping $rowGrouping, TallyKind $kind, int $count, callable $work): array
    {
        if ($count === 0) {
            return [];
        }
        $at = $rowGrouping->since($variable);
        $stored = TallyStore::payload($variable, $kind, $rowGrouping->key, $at);
        $known = $stored === null ? [] : array_values(Packed::doubles('e*', $stored));
        if (count($known) !== $count) {
            $known = $work();
            TallyStore::store($variable, $kind, $rowGrouping->key, $at, pack('e*', ...$known));
        }

        return $known;
    }

    /**
     * Makes known how often a value of one group exceeds one of another, where that takes a walk through very many.
     *
     * @param list<Observations> $groups   as `Tallies::byGroup()` gives them
     * @param list<int>          $compared as the grouping numbers them: each after the first is put against that
     */
    public static function knowSuperiority(Variable $variable, StoredGrouping $rowGrouping, array $groups, array $compared): void
    {
        $first = array_shift($compared);
        foreach ($compared as $second) {
            if ($first === null || $groups[$first]->n() === 0 || $groups[$second]->n() === 0 || $groups[$first]->n() + $groups[$second]->n() <= self::MANY) {
                continue;
            }
            $key = "{$rowGrouping->key}|{$first}|{$second}";
            $stored = TallyStore::payload($variable, TallyKind::Facts, $key, $rowGrouping->since($variable));
            if ($stored === null) {
                TallyStore::store($variable, TallyKind::Facts, $key, $rowGrouping->since($variable), (string) Superiority::of($groups[$first], $groups[$second]));
            } else {
                Superiority::know($groups[$first], $groups[$second], BigRational::of($stored));
            }
        }
    }
}
