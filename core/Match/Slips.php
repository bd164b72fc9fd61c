<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\AutomaticClasses;
use RowTally\Core\Plots\Histogram;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\ValueCounts;

/** The figures that people hand on, after the slips that people make. */
final readonly class Slips
{
    private const HANDED_ON = ['n', 'sum', 'mean', 'median', 'sd', 'variance', 'se_mean', 'cv', 'q1', 'q3', 'iqr', 'min', 'max', 'range'];
    private const TURNED = ['mean', 'median', 'sum', 'q1', 'q3', 'min', 'max', 'skewness'];

    public function __construct(private Search $search) {}

    /**
     * @param array<string, Observations> $otherCounts
     *
     * @return list<Explanation>
     */
    public function all(array $otherCounts): array
    {
        $found = [];
        foreach ($otherCounts as $words => $observations) {
            // The slip that is made most.
            $found = [...$found, ...$this->handedOn($observations, $words, intdiv(FindFigure::SLIP, 2))];
        }
        $values = $this->search->observations->values->counted();
        $decimals = $values->decimals();
        foreach (Catalogue::chosen(self::TURNED) as $place => $statistic) {
            $own = $this->search->explain($statistic, $this->search->basis, ['the sign turned'], FindFigure::SLIP + $place);
            if ($own !== null && $own->value !== 0.0) {
                $found[] = new Explanation($statistic, $own->differences, -$own->value, $own->cost, $own->observations, $own->basis, true);
            }
        }
        if ($decimals !== null && $this->search->observations->missing > 0) {
            $asZero = new Observations($values->changed([], [0 => $this->search->observations->missing]), 0, $this->search->observations->countDecimals);
            $found = [...$found, ...$this->handedOn($asZero, 'missing values kept as 0', FindFigure::SLIP)];
        }
        if ($decimals !== null) {
            for ($fewer = $decimals - 1; $fewer >= 0; --$fewer) {
                $found = [...$found, ...$this->handedOn($this->rounded($fewer), $fewer === 0 ? 'values rounded to whole numbers first' : "values rounded to {$fewer} " . ($fewer === 1 ? 'decimal' : 'decimals') . ' first', FindFigure::SLIP + 10)];
            }
        }
        $midpoints = $this->midpoints();
        if ($midpoints !== null) {
            $found = [...$found, ...$this->handedOn($midpoints, 'midpoints of the classes instead of the values', FindFigure::SLIP + 20)];
        }

        return Search::defined([...$found, ...$this->oneLeftOut()]);
    }

    /** @return list<Explanation|null> the figures people hand on, after a slip, where they come out otherwise than without it */
    private function handedOn(Observations $observations, string $slip, int $cost): array
    {
        $found = [];
        if ($observations->n() === 0) {
            return [];
        }
        foreach (Catalogue::chosen(self::HANDED_ON) as $place => $statistic) {
            foreach (SampleOrPopulation::cases() as $case) {
                $isOwn = $case === $this->search->basis->takenAs;
                if (!$isOwn && !in_array(Convention::Divisor, $statistic->dependsOn(), true)) {
                    continue;
                }
                $basis = $this->search->basis->with(takenAs: $case);
                if ($statistic->of($this->search->observations, $basis)->value === $statistic->of($observations, $basis)->value) {
                    continue;
                }
                $found[] = $this->search->explain($statistic, $basis, [$slip, ...($isOwn ? [] : ["taken as a {$case->words()}"])], $cost + $place + ($isOwn ? 0 : 30), $observations);
            }
        }

        return $found;
    }

    private function rounded(int $decimals): Observations
    {
        $values = $this->search->observations->values;
        $factor = 10 ** (($values->decimals() ?? 0) - $decimals);
        $places = $sums = [];
        $last = -1;
        // Rounded, values in order are in order still.
        foreach ($values->slices() as [$integers, $counts]) {
            foreach ($integers as $i => $value) {
                $size = intdiv(abs((int) $value) + intdiv($factor, 2), $factor);
                $place = $value < 0 ? -$size : $size;
                if ($last >= 0 && $places[$last] === $place) {
                    $sums[$last] += $counts[$i];
                } else {
                    $places[++$last] = $place;
                    $sums[$last] = $counts[$i];
                }
            }
        }

        return new Observations(ValueCounts::ofIntegers(array_values($places), array_values($sums), $decimals), $this->search->observations->missing, $this->search->observations->countDecimals);
    }

    private function midpoints(): ?Observations
    {
        $classes = AutomaticClasses::for($this->search->observations, $this->search->basis->classEdge);
        if ($classes->holdOneValueEach) {
            return null;
        }
        $middles = Histogram::of($this->search->observations->values, $classes, $this->search->basis->classEdge)->midpoints();

        return $middles === null ? null : new Observations($middles, $this->search->observations->missing, $this->search->observations->countDecimals);
    }

    /**
     * Which single row would have to go. For the sum, the mean and the variance the value that it must have is solved for and looked
     * up; for figures of order only the ends are tried.
     *
     * @return list<Explanation|null>
     */
    private function oneLeftOut(): array
    {
        $values = $this->search->observations->values->counted();
        $n = $this->search->observations->n();
        if ($n < 2 || $values->decimals() === null || !$this->search->observations->hasWholeCounts()) {
            return [];
        }
        $found = [];
        foreach ($this->suspects() as $place => $value) {
            $unscaled = $value->withPointMovedRight($values->decimals())->toInt();
            $rest = new Observations($values->changed([$unscaled => 1], []), $this->search->observations->missing, 0);
            $found = [...$found, ...$this->handedOn($rest, 'one row left out, with ' . DecimalText::whole($value), FindFigure::SLIP + 40 + $place)];
        }

        return $found;
    }

    /** @return list<BigDecimal> values whose absence may explain the stated figure */
    private function suspects(): array
    {
        $values = $this->search->observations->values;
        $n = $this->search->observations->n();
        $sum = Exact::toFloat($this->search->observations->sum()) ?? 0.0;
        $mean = $sum / $n;
        $stated = $this->search->stated->number();
        $suspects = [$values->at(1), $values->at($n)];
        // Σ − x = stated, or (Σ − x)/(n − 1) = stated.
        $wanted = [$sum - $stated, $sum - $stated * ($n - 1)];
        $squares = Exact::toFloat($this->search->observations->squaredDeviations()) ?? 0.0;
        foreach ([$stated, $stated * $stated] as $variance) {
            foreach ([$n - 2, $n - 1] as $divisor) {
                // Taking x away lowers Σ(x − x̄)² by (x − x̄)²·n/(n − 1).
                $distance = ($squares - $variance * $divisor) * ($n - 1) / $n;
                if ($distance >= 0.0) {
                    $wanted = [...$wanted, $mean - sqrt($distance), $mean + sqrt($distance)];
                }
            }
        }
        foreach ($wanted as $value) {
            if (!is_finite($value)) {
                continue;
            }
            $rank = $values->countBelow(BigRational::of(Exact::shortestText($value)));
            foreach ([$rank, $rank + 1] as $near) {
                if ($near >= 1 && $near <= $n) {
                    $suspects[] = $values->at($near);
                }
            }
        }
        $unlike = [];
        foreach ($suspects as $suspect) {
            $unlike[(string) $suspect] = $suspect;
        }

        return array_values($unlike);
    }
}
