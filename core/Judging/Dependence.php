<?php

declare(strict_types=1);

namespace RowTally\Core\Judging;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;

/** How far the answers for one figure span, as its conventions go: under every rule for quartiles, as a sample or a population, with and without the far values. */
final readonly class Dependence
{
    private function __construct(
        public string $key,
        public string $label,
        public float $own,
        public float $low,
        public float $high,
        public string $lowText,
        public string $highText,
        /** What it depends on, in words; '' = on nothing. */
        public string $on,
    ) {}

    /**
     * @param list<Statistic> $statistics
     *
     * @return list<self> of those that have a number
     */
    public static function of(Observations $with, Observations $without, Basis $basis, array $statistics, FigureText $display): array
    {
        $found = [];
        foreach ($statistics as $statistic) {
            $own = $statistic->of($with, $basis)->number();
            if ($own === null) {
                continue;
            }
            $conventions = $statistic->dependsOn();
            $on = [];
            $answers = [];
            foreach (self::bases($basis, $conventions) as $other) {
                $answers[] = $statistic->of($with, $other);
            }
            $isSame = static fn(Figure ...$figures): bool => count(array_unique(array_map(static fn(Figure $figure): string => (string) $display->of($statistic, $figure), $figures))) <= 1;
            if (in_array(Convention::QuartileRule, $conventions, true) && !$isSame(...$answers)) {
                $on[] = 'the rule for quartiles';
            }
            if (in_array(Convention::Divisor, $conventions, true) && !$isSame(...$answers)) {
                $on[] = 'sample or population';
            }
            $alone = $statistic->of($without, $basis);
            if ($alone->number() !== null && !$isSame($statistic->of($with, $basis), $alone)) {
                $on[] = 'the far values';
            }
            $answers[] = $alone;
            $numbers = [[(float) $own, $statistic->of($with, $basis)]];
            foreach ($answers as $answer) {
                $number = $answer->number();
                if ($number !== null) {
                    $numbers[] = [(float) $number, $answer];
                }
            }
            usort($numbers, static fn(array $one, array $other): int => $one[0] <=> $other[0]);
            $last = $numbers[count($numbers) - 1];
            $found[] = new self($statistic->key(), $statistic->label(), (float) $own, $numbers[0][0], $last[0], (string) $display->of($statistic, $numbers[0][1]), (string) $display->of($statistic, $last[1]), implode(', ', $on));
        }

        return $found;
    }

    /**
     * @param list<Convention> $conventions
     *
     * @return list<Basis>
     */
    private static function bases(Basis $basis, array $conventions): array
    {
        $bases = [$basis];
        if (in_array(Convention::QuartileRule, $conventions, true)) {
            $bases = array_map(static fn(QuartileRule $rule): Basis => $basis->with(quartileRule: $rule), QuartileRule::cases());
        }
        if (in_array(Convention::Divisor, $conventions, true)) {
            $bases = array_merge(...array_map(static fn(Basis $one): array => array_map(static fn(SampleOrPopulation $takenAs): Basis => $one->with($takenAs), SampleOrPopulation::cases()), $bases));
        }

        return $bases;
    }
}
