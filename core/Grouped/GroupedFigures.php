<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use RowTally\Core\Basis\SampleOrPopulation;

/**
 * Figures of classes with counts: what the rows would give is estimated from midpoints, or by straight lines inside a class.
 *
 * Definition  mean Σ f·m / N; variance Σ f(m − x̄)² / (N − 1) or / N, m the midpoints; p-th quantile L + (pN − F)/f · width in the first class
 *             with f > 0 whose cumulative count reaches pN, F the count before it; modal class by count and by density; interpolated mode
 *             L + (f − f₋)/((f − f₋) + (f − f₊)) · width.
 * Unit        the unit of the variable.
 * Undefined   null where the counts add up to 0, for a sample to 1 or less; the interpolated mode where the modal class is not the only one.
 * Source      any textbook on grouped frequencies.
 * Accuracy    exact.
 * Cost        O(classes).
 */
final readonly class GroupedFigures
{
    /** @var list<BigInteger> in units of one over $perCount */
    private array $counts;
    private BigInteger $perCount;
    /** @var list<BigInteger> in units of one over $perMidpoint */
    private array $midpoints;
    private BigInteger $perMidpoint;
    private BigInteger $total;

    public function __construct(public ClassTable $table)
    {
        // Over one denominator each, sums are sums of whole numbers.
        [$this->counts, $this->perCount] = self::overOne(array_map(static fn(ClassRow $row): BigRational => $row->count, $table->rows));
        [$this->midpoints, $this->perMidpoint] = self::overOne(array_map(static fn(ClassRow $row): BigRational => $row->midpoint, $table->rows));
        $this->total = BigInteger::sum(BigInteger::zero(), ...$this->counts);
    }

    public function n(): BigRational
    {
        return BigRational::nd($this->total, $this->perCount)->simplified();
    }

    public function sum(): BigRational
    {
        return BigRational::nd($this->weighted($this->midpoints), $this->perCount->multipliedBy($this->perMidpoint))->simplified();
    }

    public function mean(): ?BigRational
    {
        return $this->total->isZero() ? null : BigRational::nd($this->weighted($this->midpoints), $this->total->multipliedBy($this->perMidpoint))->simplified();
    }

    public function variance(SampleOrPopulation $takenAs): ?BigRational
    {
        $divisor = $takenAs === SampleOrPopulation::Sample ? $this->total->minus($this->perCount) : $this->total;
        if ($this->total->isZero() || $divisor->isNegativeOrZero()) {
            return null;
        }
        // (N Σ f·m² − (Σ f·m)²) / N is Σ f(m − x̄)²; nothing is lost, for all of it is whole.
        $sum = $this->weighted($this->midpoints);
        $squares = $this->weighted(array_map(static fn(BigInteger $midpoint): BigInteger => $midpoint->multipliedBy($midpoint), $this->midpoints));

        return BigRational::nd(
            $squares->multipliedBy($this->total)->minus($sum->multipliedBy($sum)),
            $this->total->multipliedBy($divisor)->multipliedBy($this->perMidpoint)->multipliedBy($this->perMidpoint),
        )->simplified();
    }

    public function quantile(BigRational $p): ?BigRational
    {
        if ($this->total->isZero()) {
            return null;
        }
        $wanted = $p->multipliedBy($this->total);
        $before = BigInteger::zero();
        $upper = null;
        foreach ($this->table->rows as $i => $row) {
            $upTo = $before->plus($this->counts[$i]);
            if ($this->counts[$i]->isPositive() && $wanted->isLessThanOrEqualTo($upTo)) {
                return $row->lower->plus($wanted->minus($before)->dividedBy($this->counts[$i])->multipliedBy($row->width()))->simplified();
            }
            $before = $upTo;
            $upper = $this->counts[$i]->isPositive() ? $row->upper : $upper;
        }

        return $upper;
    }

    /** @param list<BigInteger> $numbers one for each class */
    private function weighted(array $numbers): BigInteger
    {
        return array_reduce(array_keys($numbers), fn(BigInteger $sum, int $i): BigInteger => $sum->plus($this->counts[$i]->multipliedBy($numbers[$i])), BigInteger::zero());
    }

    /**
     * @param list<BigRational> $ratios
     *
     * @return array{list<BigInteger>, BigInteger} numerators over one denominator
     */
    private static function overOne(array $ratios): array
    {
        $denominator = BigInteger::one();
        foreach ($ratios as $ratio) {
            $own = $ratio->getDenominator();
            $denominator = $denominator->remainder($own)->isZero() ? $denominator : $denominator->quotient($denominator->gcd($own))->multipliedBy($own);
        }

        return [array_map(static fn(BigRational $ratio): BigInteger => $ratio->getNumerator()->multipliedBy($denominator->quotient($ratio->getDenominator())), $ratios), $denominator];
    }

    /** @return list<int> places of the classes with the largest count, or with the largest count for their width; none where all counts are 0 */
    public function modalClasses(bool $byDensity = false): array
    {
        $best = BigRational::zero();
        $places = [];
        foreach ($this->table->rows as $i => $row) {
            $size = $byDensity ? $row->count->dividedBy($row->width()) : $row->count;
            if ($size->isGreaterThan($best)) {
                [$best, $places] = [$size, [$i]];
            } elseif ($size->isPositive() && $size->isEqualTo($best)) {
                $places[] = $i;
            }
        }

        return $places;
    }

    public function interpolatedMode(): ?BigRational
    {
        $modal = $this->modalClasses(true);
        if (count($modal) !== 1) {
            return null;
        }
        $density = fn(int $i): BigRational => isset($this->table->rows[$i]) ? $this->table->rows[$i]->count->dividedBy($this->table->rows[$i]->width()) : BigRational::zero();
        $row = $this->table->rows[$modal[0]];
        $up = $density($modal[0])->minus($density($modal[0] - 1));
        $down = $density($modal[0])->minus($density($modal[0] + 1));

        return $row->lower->plus($up->dividedBy($up->plus($down))->multipliedBy($row->width()))->simplified();
    }
}
