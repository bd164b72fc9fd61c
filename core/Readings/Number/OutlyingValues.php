<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\Mean;
use RowTally\Core\Figures\StandardDeviation;
use RowTally\Core\Judging\Inside;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Observations\Outliers;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\PowerSums;

/**
 * Rows beyond the fences, and what the others say without them.
 *
 * Misleads    A row beyond the fences is worth a look and not wrong; figures without such rows are told, none is left out.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class OutlyingValues implements Rule
{
    private const NAMED = 5;
    private const MANY = 5000;

    public function key(): string
    {
        return 'outliers';
    }

    public function rule(): string
    {
        return 'Any value lies beyond the fences of the basis.';
    }

    public function source(): string
    {
        return 'Tukey, Exploratory Data Analysis (1977), chapter 2';
    }

    public function of(object $subject): ?Said
    {
        $observations = $subject->observations;
        $outliers = Outliers::of($observations, $subject->basis());
        [$total, $far] = [$outliers->total, $outliers->far];
        if ($total === 0) {
            return null;
        }
        $isMany = $total > self::MANY && $observations->hasWholeCounts();
        $marks = $isMany ? $outliers->marks : Outliers::every($observations, $subject->basis());
        [$mean, $sd] = $isMany ? $this->inside($subject) : $this->without($subject, $marks, $total);
        $wording = $subject->wording;
        $sentence = "{$subject->rows($total)} {$subject->verb($total, 'lies', 'lie')} beyond the fences"
            . ($far === 0 ? '' : ($far === $total ? ', far' : ", {$subject->number($far)} of them far"))
            . ': ' . $this->named($subject, $marks, $total) . '.';
        if ($mean !== null) {
            $without = $subject->verb($total, 'it', "the {$subject->number($total)}");
            $sentence .= " Without {$without} the mean would be {$wording->inUnit($mean)}" . ($sd === null ? '.' : ", the SD {$wording->number($sd)}.");
        }

        return new Said(
            $sentence,
            ['outliers' => $subject->figure($total), 'far' => $subject->figure($far), 'mean_without' => $mean, 'sd_without' => $sd],
            $far > 0 ? 85 : 55,
        );
    }

    /** @return array{float|null, float|null} mean and SD of those that are no outliers, from themselves: so many outliers are not listed one by one */
    private function inside(NumberSubject $subject): array
    {
        $inside = Inside::of($subject->observations, $subject->basis());
        [$mean, $sd] = [(new Mean())->of($inside, $subject->basis())->number(), (new StandardDeviation())->of($inside, $subject->basis())->number()];

        return [$mean === null ? null : (float) $mean, $sd === null ? null : (float) $sd];
    }

    /**
     * @param list<array{value: BigDecimal, count: int, far: bool}> $marks
     *
     * @return array{float|null, float|null} mean and SD of the others
     */
    private function without(NumberSubject $subject, array $marks, int $total): array
    {
        $observations = $subject->observations;
        $n = $observations->n() - $total;
        if ($n <= 0) {
            return [null, null];
        }
        $decimals = $observations->values->decimals();
        $counts = array_column($marks, 'count');
        $theirs = $decimals === null
            ? PowerSums::ofDoubles(array_map(static fn(array $mark): float => (float) (string) $mark['value'], $marks), $counts)
            : PowerSums::ofIntegers(array_map(static fn(array $mark): int => $mark['value']->toScale($decimals)->getUnscaledValue()->toInt(), $marks), $counts, $decimals);
        $sums = $observations->powerSums()->minus($theirs);
        $size = BigRational::nd($n, 10 ** $observations->countDecimals);
        $divisor = $subject->basis()->takenAs === SampleOrPopulation::Sample ? $size->minus(1) : $size;

        return [
            Exact::near($sums->sum()->dividedBy($n)),
            $divisor->getSign() <= 0 ? null : Exact::squareRoot($sums->squaredDeviations()->dividedBy(10 ** $observations->countDecimals)->dividedBy($divisor)),
        ];
    }

    /**
     * The farthest ones, by what their rows are called.
     *
     * @param list<array{value: BigDecimal, count: int, far: bool}> $marks
     */
    private function named(NumberSubject $subject, array $marks, int $total): string
    {
        $quartiles = $subject->observations->quartiles($subject->basis()->quartileRule);
        $distance = static fn(BigDecimal $value): float => max(Exact::near($quartiles->q1->minus($value)), Exact::near(BigRational::of($value)->minus($quartiles->q3)));
        // In order, so that the farthest are at the ends.
        $ends = count($marks) <= 2 * self::NAMED ? $marks : [...array_slice($marks, 0, self::NAMED), ...array_slice($marks, -self::NAMED)];
        usort($ends, static fn(array $one, array $other): int => $distance($other['value']) <=> $distance($one['value']));
        $values = [];
        $isWhole = $subject->observations->hasWholeCounts();
        foreach (array_slice($ends, 0, self::NAMED) as ['value' => $value, 'count' => $count]) {
            array_push($values, ...array_fill(0, $isWhole ? min($count, self::NAMED) : 1, $value));
        }
        $values = array_slice($values, 0, self::NAMED);
        $texts = [];
        foreach ($subject->labelsOf($values) as $i => $label) {
            $text = $subject->wording->number((float) (string) $values[$i], true);
            $texts[] = $label === null ? $text : "{$label} ({$text})";
        }
        $more = $isWhole ? $total - count($values) : count($marks) - count($values);

        return $more > 0 ? implode(', ', $texts) . ' and ' . NumberMarks::count($more) . ' more' : Wording::list($texts);
    }
}
