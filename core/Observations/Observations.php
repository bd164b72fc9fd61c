<?php

declare(strict_types=1);

namespace RowTally\Core\Observations;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Quantiles\MiddleValue;
use RowTally\Core\Quantiles\Quantile;
use RowTally\Core\Quantiles\Quartiles;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\PowerSums;

/**
 * One group of one number variable, ready for every figure: its values in order, and how many of its rows have none.
 *
 * Under counts that are not whole, a value occurs a whole number of 10^−countDecimals: ratios of counts are the same in that
 * unit, and what depends on the count itself asks for `size()`. Sums and quartiles are worked out at most once each, however
 * many figures ask for them.
 */
final class Observations
{
    /** Half of what doubles reach, so that an axis may end a little beyond the values. */
    private const WIDEST_AXIS = '8e307';

    private ?PowerSums $powerSums = null;
    private ?Deviations $deviations = null;
    /** @var array<string, object> */
    private array $known = [];
    /** @var array<string, Quartiles> */
    private array $quartiles = [];

    public function __construct(
        public readonly OrderedValues $values,
        /** in the unit of the counts, as n */
        public readonly int $missing,
        public readonly int $countDecimals = 0,
        /** where it is known already */
        ?HigherMoments $shape = null,
    ) {
        if ($shape !== null) {
            $this->known['shape'] = $shape;
        }
    }

    /** The same without some of them; only of decimals, each counted once. */
    public function less(self $some): self
    {
        $removed = [];
        foreach ($some->values->slices() as [$values, $counts]) {
            foreach ($values as $i => $value) {
                $removed[(int) $value] = $counts[$i];
            }
        }
        if ($removed === []) {
            $same = new self($this->values, $this->missing - $some->missing);
            $same->known = $this->known;

            return $same;
        }

        return new self($this->values instanceof BucketedValues ? $this->values->less($removed) : $this->values->counted()->changed($removed, []), $this->missing - $some->missing);
    }

    /** In the unit of the counts: the number of values where counts are whole. */
    public function n(): int
    {
        return $this->values->n();
    }

    /** The number of values, or what the counts add up to. */
    public function size(): BigRational
    {
        return BigRational::nd($this->n(), BigInteger::ten()->power($this->countDecimals));
    }

    public function hasWholeCounts(): bool
    {
        return $this->countDecimals === 0;
    }

    public function powerSums(): PowerSums
    {
        return $this->powerSums ??= $this->values->powerSums();
    }

    /** Σ f·x. */
    public function sum(): BigRational
    {
        return $this->powerSums()->sum()->dividedBy(BigInteger::ten()->power($this->countDecimals));
    }

    /** Σ f·x². */
    public function sumOfSquares(): BigRational
    {
        return $this->powerSums()->sumOfSquares()->dividedBy(BigInteger::ten()->power($this->countDecimals));
    }

    /** Only for n of 1 or more, as everything below. */
    public function mean(): BigRational
    {
        return Exact::simplest($this->powerSums()->sum()->dividedBy($this->n()));
    }

    /** What the squared deviations are divided by: n or n − 1; 0 or less where there is no variance. */
    public function divisor(SampleOrPopulation $takenAs): BigRational
    {
        return $takenAs === SampleOrPopulation::Sample ? $this->size()->minus(1) : $this->size();
    }

    /** Σ f·(x − x̄)². */
    public function squaredDeviations(): BigRational
    {
        return $this->powerSums()->squaredDeviations()->dividedBy(BigInteger::ten()->power($this->countDecimals));
    }

    /** @return BigRational|null null where the divisor is 0 or less */
    public function variance(SampleOrPopulation $takenAs): ?BigRational
    {
        $divisor = $this->divisor($takenAs);

        return $divisor->getSign() <= 0 ? null : Exact::simplest($this->squaredDeviations()->dividedBy($divisor));
    }

    /** Whether its range is a number that places on an axis can be told by. */
    public function canBeDrawn(): bool
    {
        return $this->n() > 0 && $this->values->at($this->n())->minus($this->values->at(1))->isLessThan(self::WIDEST_AXIS);
    }

    public function allEqual(): bool
    {
        return !$this->values->hasMoreDistinctThan(1);
    }

    public function median(): BigRational
    {
        return MiddleValue::of($this->values);
    }

    public function quartiles(QuartileRule $rule): Quartiles
    {
        $rule = $this->ruleInForce($rule);

        return $this->quartiles[$rule->value] ??= Quartiles::of($this->values, $rule);
    }

    /** The quantile at p = $numerator / $denominator. */
    public function quantile(QuartileRule $rule, int $numerator, int $denominator): BigRational
    {
        return Quantile::of($this->values, $this->ruleInForce($rule), $numerator, $denominator);
    }

    /** Counts that are not whole have no ranks: cumulative counts decide, which is definition 2 in the unit of the counts. */
    public function ruleInForce(QuartileRule $rule): QuartileRule
    {
        return $this->hasWholeCounts() ? $rule : QuartileRule::Hf2;
    }

    public function deviations(): Deviations
    {
        return $this->deviations ??= Deviations::of($this);
    }

    /** Only where not all values are equal. */
    public function shape(): HigherMoments
    {
        return $this->remembered('shape', HigherMoments::of(...));
    }

    /** What was worked out before, and is the same whatever the basis. */
    public function know(string $what, object $known): void
    {
        $this->known[$what] = $known;
    }

    /**
     * What several figures need and is dear to work out.
     *
     * @template T of object
     *
     * @param callable(self): T $work
     *
     * @return T
     */
    public function remembered(string $what, callable $work): object
    {
        /** @var T $known */
        $known = $this->known[$what] ??= $work($this);

        return $known;
    }
}
