<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\NormalityFigure;
use RowTally\Core\Figures\Percentile;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Values\Exact;

/** Every figure as it is, with one convention changed that it depends on, and as others reckon it; percentiles, and percents taken as fractions. */
final readonly class OtherConventions
{
    private const PERCENTS = ['1', '2.5', '5', '10', '15', '16', '20', '25', '30', '40', '50', '60', '70', '75', '80', '84', '85', '90', '95', '97.5', '99'];
    private const LEVELS = ['0.9', '0.95', '0.98', '0.99'];
    private const FENCES = ['1.5', '2', '2.2', '3'];
    /** Figures between 0 and 1 that take long are not looked at for a number like this. */
    private const FAR_BEYOND_ONE = 2.0;

    public function __construct(private Search $search) {}

    /** @return list<Explanation> */
    public function all(): array
    {
        return [...$this->underConventions(), ...$this->percentiles()];
    }

    /** @return list<Explanation> */
    private function underConventions(): array
    {
        $found = [];
        foreach (Catalogue::all() as $place => $statistic) {
            if ($statistic instanceof NormalityFigure && $statistic->liesWithinOne() && abs($this->search->stated->number()) > self::FAR_BEYOND_ONE) {
                continue;
            }
            $found[] = $this->search->explain($statistic, $this->search->basis, [], $place);
            foreach ($this->otherBases($statistic) as [$basis, $words]) {
                $found[] = $this->search->explain($statistic, $basis, [$words], FindFigure::SLIP / 4 + $place);
            }
        }
        foreach (OtherReckonings::all($this->search->stated->isPercent) as $place => [$statistic, $words]) {
            $found[] = $this->search->explain($statistic, $this->search->basis, [$words], FindFigure::SLIP / 4 + 15 + $place);
            foreach (in_array(Convention::Divisor, $statistic->dependsOn(), true) ? SampleOrPopulation::cases() : [] as $case) {
                $found[] = $case === $this->search->basis->takenAs ? null : $this->search->explain($statistic, $this->search->basis->with(takenAs: $case), [$words, "taken as a {$case->words()}"], FindFigure::SLIP / 4 + 45 + $place);
            }
        }

        return Search::defined($found);
    }

    /** @return list<array{Basis, string}> with one convention changed that the figure depends on, and the change in words */
    private function otherBases(Statistic $statistic): array
    {
        $bases = [];
        foreach ($statistic->dependsOn() as $convention) {
            $bases = [...$bases, ...match ($convention) {
                Convention::Divisor => array_map(fn(SampleOrPopulation $case): array => [$this->search->basis->with(takenAs: $case), "taken as a {$case->words()}"], SampleOrPopulation::cases()),
                Convention::QuartileRule => array_map(fn(QuartileRule $rule): array => [$this->search->basis->with(quartileRule: $rule), "quartiles by {$rule->words()}"], QuartileRule::cases()),
                Convention::Fences => array_map(fn(string $fence): array => [$this->search->basis->with(innerFence: $fence), 'fences at ' . NumberMarks::inForce()->written($fence) . ' IQR'], self::FENCES),
                Convention::Level => array_map(fn(string $level): array => [$this->search->basis->with(level: $level), 'at ' . Basis::percentOf($level) . ' %'], self::LEVELS),
            }];
        }

        return array_values(array_filter($bases, fn(array $other): bool => $other[0] !== $this->search->basis));
    }

    /** @return list<Explanation> */
    private function percentiles(): array
    {
        $found = [];
        foreach (self::PERCENTS as $percent) {
            foreach (QuartileRule::cases() as $rule) {
                $isOwn = $rule === $this->search->basis->quartileRule;
                $differences = $isOwn ? [] : ["by {$rule->words()}"];
                $found[] = $this->search->explain(new Percentile($percent), $this->search->basis->with(quartileRule: $rule), $differences, $isOwn ? 70 : 90);
                $fraction = Exact::plainDecimal(BigDecimal::of($percent)->multipliedBy('0.01'));
                $found[] = $this->search->explain(
                    new Percentile($fraction),
                    $this->search->basis->with(quartileRule: $rule),
                    ["{$fraction} taken for a percent where the {$percent}th was meant", ...$differences],
                    FindFigure::SLIP + ($isOwn ? 0 : 20),
                );
            }
        }

        return Search::defined($found);
    }
}
