<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Distributions\StudentT;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/** A confidence interval of a difference at the level of the basis: estimate ∓ t·SE, t Student's with so many degrees of freedom. */
final readonly class Interval
{
    private function __construct(
        public Figure $low,
        public Figure $high,
        public Figure $standardError,
        /** null where nothing varies, or where there is no interval */
        public ?float $degrees,
    ) {}

    /** @param BigRational $variance of the estimate: the square of its standard error */
    public static function about(BigRational $estimate, BigRational $variance, BigRational $degrees, Basis $basis): self
    {
        $error = Exact::squareRoot($variance);
        $df = Exact::toFloat($degrees);
        if ($error === null || $df === null) {
            return self::none(Reason::OutOfRange);
        }
        $half = StudentT::quantile(0.5 + 0.5 * (float) $basis->level, $df) * $error;
        if (!is_finite($half)) {
            return self::none(Reason::OutOfRange);
        }
        $halfWidth = BigRational::of(Exact::shortestText($half));

        return new self(Figure::exact($estimate->minus($halfWidth)), Figure::exact($estimate->plus($halfWidth)), Figure::double($error), $df);
    }

    /** Where nothing varies: the difference itself, at both ends. */
    public static function point(BigRational $estimate): self
    {
        return new self(Figure::exact($estimate), Figure::exact($estimate), Figure::double(0.0), null);
    }

    public static function none(Reason $reason): self
    {
        $undefined = Figure::undefined($reason);

        return new self($undefined, $undefined, $undefined, null);
    }

    /** Whether a value lies between the ends or on one; null where there is no interval. */
    public function holds(float $value): ?bool
    {
        [$low, $high] = [$this->low->number(), $this->high->number()];

        return $low === null || $high === null ? null : $low <= $value && $value <= $high;
    }
}
