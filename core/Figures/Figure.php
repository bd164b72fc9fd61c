<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigRational;
use RowTally\Core\Values\Exact;

/** One finished statistic: a value, or the reason why there is none. Never both, never neither. */
final readonly class Figure
{
    private function __construct(
        public int|float|null $value,
        public ?Reason $reason,
    ) {}

    public static function count(int $count): self
    {
        return new self($count, null);
    }

    /** The double nearest to an exact ratio. */
    public static function exact(BigRational $ratio): self
    {
        return self::ofDouble(Exact::toFloat($ratio));
    }

    /** The double nearest to the square root of an exact ratio that is not negative. */
    public static function rootOf(BigRational $ratio): self
    {
        return self::ofDouble(Exact::squareRoot($ratio));
    }

    public static function undefined(Reason $reason): self
    {
        return new self(null, $reason);
    }

    private static function ofDouble(?float $value): self
    {
        return $value === null ? self::undefined(Reason::OutOfRange) : new self($value, null);
    }
}
