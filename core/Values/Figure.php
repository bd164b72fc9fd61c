<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;

/** One finished statistic: a value (modes: a list of them), or the reason why there is none. Never both, never neither. */
final readonly class Figure
{
    /** @param int|float|list<float>|null $value */
    private function __construct(
        public int|float|array|null $value,
        public ?Reason $reason,
        /** Whether it is a value of the data, or a sum or difference of some: then it has their decimals. */
        public bool $isOfTheData = false,
    ) {}

    public static function count(int $count): self
    {
        return new self($count, null);
    }

    /** A number of rows under counts of so many decimals: whole where they are. */
    public static function rows(int $unscaled, int $decimals): self
    {
        return $decimals === 0 ? self::count($unscaled) : new self((float) (string) BigDecimal::ofUnscaledValue($unscaled, $decimals), null);
    }

    /** The double nearest to an exact ratio. */
    public static function exact(BigRational $ratio): self
    {
        return self::double(Exact::toFloat($ratio));
    }

    /** The double nearest to a value of the data, or to a sum or difference of some. */
    public static function ofTheData(BigRational $ratio): self
    {
        $figure = self::exact($ratio);

        return new self($figure->value, $figure->reason, true);
    }

    /** A quantile, which may fall on a value. */
    public static function quantile(BigRational $ratio, OrderedValues $values): self
    {
        $decimals = $values->decimals();
        $unscaled = $decimals === null ? null : Exact::simplest($ratio->multipliedBy(10 ** $decimals));
        if ($unscaled === null || !$unscaled->getDenominator()->isEqualTo(1)) {
            return self::exact($ratio);
        }
        $whole = $unscaled->getNumerator()->toInt();

        return $values->countBelowUnscaled($whole + 1) > $values->countBelowUnscaled($whole) ? self::ofTheData($ratio) : self::exact($ratio);
    }

    /** The double nearest to the square root of an exact ratio that is not negative. */
    public static function rootOf(BigRational $ratio): self
    {
        return self::double(Exact::squareRoot($ratio));
    }

    /** A finished double; null, infinity and what is no number are out of range. */
    public static function double(?float $value): self
    {
        return $value === null || !is_finite($value) ? self::undefined(Reason::OutOfRange) : new self($value + 0.0, null);
    }

    /** @param list<BigDecimal> $values */
    public static function values(array $values): self
    {
        return new self(array_map(static fn(BigDecimal $value): float => (float) (string) $value, $values), null, true);
    }

    public static function undefined(Reason $reason): self
    {
        return new self(null, $reason);
    }

    /** The value as one number; null for a list or where there is none. */
    public function number(): int|float|null
    {
        return is_array($this->value) ? null : $this->value;
    }
}
