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
    /** Of each group: A², skewness, kurtosis. */
    private const OF_EACH = 3;

    /** @param list<Observations> $all as `Tallies::numbers()` gives them */
    public static function know(Variable $variable, StoredGrouping $rowGrouping, array $all): void
    {
        $many = array_filter($all, static fn(Observations $group): bool => $group->n() > self::MANY && Normality::obstacle($group) === null);
        if ($many === []) {
            return;
        }
        $at = $rowGrouping->since($variable);
        $stored = TallyStore::payload($variable, TallyKind::Facts, $rowGrouping->key, $at);
        $known = $stored === null ? [] : array_values(Packed::doubles('e*', $stored));
        if (count($known) !== 1 + self::OF_EACH * count($all)) {
            $known = [(float) RoundEndings::of($all[0])->count];
            foreach (array_keys($all) as $i) {
                $known = [...$known, ...(isset($many[$i]) ? [(float) (AndersonDarling::of($many[$i])->statistic->number() ?? NAN), $many[$i]->shape()->skewness, $many[$i]->shape()->kurtosis] : [NAN, NAN, NAN])];
            }
            TallyStore::store($variable, TallyKind::Facts, $rowGrouping->key, $at, pack('e*', ...$known));
        }
        $all[0]->know(RoundEndings::class, new RoundEndings((int) $known[0]));
        foreach ($many as $i => $group) {
            [$statistic, $skewness, $kurtosis] = array_slice($known, 1 + self::OF_EACH * $i, self::OF_EACH);
            if (!is_nan($statistic)) {
                $group->know('anderson_darling', AndersonDarling::ofStatistic($statistic, $group->n()));
            }
            $group->know('shape', new HigherMoments($skewness, $kurtosis));
        }
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
