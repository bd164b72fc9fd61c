<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigRational;
use RowTally\Core\Basis\TakenAs;

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
    public function __construct(public ClassTable $table) {}

    public function sum(): BigRational
    {
        return array_reduce($this->table->rows, static fn(BigRational $sum, ClassRow $row): BigRational => $sum->plus($row->count->multipliedBy($row->midpoint)), BigRational::zero())->simplified();
    }

    public function mean(): ?BigRational
    {
        $n = $this->table->n();

        return $n->isZero() ? null : $this->sum()->dividedBy($n)->simplified();
    }

    public function variance(TakenAs $takenAs): ?BigRational
    {
        $mean = $this->mean();
        $divisor = $takenAs === TakenAs::Sample ? $this->table->n()->minus(1) : $this->table->n();
        if ($mean === null || $divisor->isNegativeOrZero()) {
            return null;
        }
        $squares = BigRational::zero();
        foreach ($this->table->rows as $row) {
            $distance = $row->midpoint->minus($mean);
            $squares = $squares->plus($row->count->multipliedBy($distance)->multipliedBy($distance));
        }

        return $squares->dividedBy($divisor)->simplified();
    }

    public function quantile(BigRational $p): ?BigRational
    {
        $n = $this->table->n();
        if ($n->isZero()) {
            return null;
        }
        $wanted = $p->multipliedBy($n);
        $before = BigRational::zero();
        $upper = null;
        foreach ($this->table->rows as $row) {
            $upTo = $before->plus($row->count);
            if ($row->count->isPositive() && $upTo->isGreaterThanOrEqualTo($wanted)) {
                return $row->lower->plus($wanted->minus($before)->dividedBy($row->count)->multipliedBy($row->width()))->simplified();
            }
            $before = $upTo;
            $upper = $row->count->isPositive() ? $row->upper : $upper;
        }

        return $upper;
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
