<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Formula\Decimals;
use RowTally\Core\Formula\Functions;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Rows;
use RowTally\Core\Formula\Summary;
use RowTally\Core\Values\Exact;

/** A function of one or more parts. */
final readonly class Call implements Node
{
    private Kind $kind;

    /** @param non-empty-list<Node> $arguments as many and of the kinds that the function takes */
    public function __construct(
        public Functions $function,
        private array $arguments,
        private Basis $basis,
        private int $at,
    ) {
        $this->kind = $function->kind($arguments);
    }

    public function kind(): Kind
    {
        return $this->kind;
    }

    public function at(): int
    {
        return $this->at;
    }

    public function decimals(): ?int
    {
        $own = array_map(static fn(Node $node): ?int => $node->decimals(), $this->arguments);
        $widest = in_array(null, $own, true) ? null : max($own);
        $more = $this->function === Functions::Mean ? Decimals::ofPart(count($this->arguments)) : null;

        return match ($this->function) {
            Functions::Abs, Functions::Min, Functions::Max, Functions::Sum => $widest,
            Functions::Mean => $widest === null || $more === null || $widest + $more > Decimals::MOST ? null : $widest + $more,
            Functions::Floor, Functions::Ceil => 0,
            Functions::Round => max(0, $this->places()),
            Functions::If_ => $own[1] === null || $own[2] === null ? null : max($own[1], $own[2]),
            default => null,
        };
    }

    public function of(Rows $rows): array
    {
        $columns = array_map(static fn(Node $node): array => $node->of($rows), $this->arguments);
        $summary = $this->function->needsAllRows() ? $rows->summary($this->arguments[0], $this->basis) : null;
        $edges = $this->function === Functions::Classes ? $this->edges() : null;
        $decimals = array_map(static fn(Node $node): ?int => $node->decimals(), $this->arguments);
        $widest = in_array(null, $decimals, true) ? null : max($decimals);
        $results = [];
        for ($i = 0; $i < $rows->count(); ++$i) {
            $values = array_column($columns, $i);
            if ($this->function === Functions::Missing) {
                $results[] = $values[0] === null;
            } elseif ($this->function === Functions::If_) {
                $results[] = $values[0] === null ? null : $values[$values[0] === true ? 1 : 2];
            } elseif (in_array(null, $values, true)) {
                $results[] = null;
            } else {
                /** @var non-empty-list<float|BigDecimal> $values */
                $results[] = match (true) {
                    $edges !== null => self::classOf(Decimals::exact($values[0]), ...$edges),
                    $summary !== null => $this->amongAll($values[0], $summary, $rows),
                    default => $this->ofRow($values, $widest, $rows),
                };
            }
        }

        return $results;
    }

    public function parts(): array
    {
        return $this->arguments;
    }

    /**
     * @param non-empty-list<float|BigDecimal> $values
     * @param int|null                         $widest decimals that hold all of them
     */
    private function ofRow(array $values, ?int $widest, Rows $rows): float|BigDecimal|null
    {
        $x = $values[0];

        return match ($this->function) {
            Functions::Abs => is_float($x) ? abs($x) : $x->abs(),
            Functions::Round => self::rounded($x, $this->places()),
            Functions::Floor => is_float($x) ? floor($x) + 0.0 : Decimals::plain($x->toScale(0, RoundingMode::FLOOR)),
            Functions::Ceil => is_float($x) ? ceil($x) + 0.0 : Decimals::plain($x->toScale(0, RoundingMode::CEILING)),
            Functions::Min, Functions::Max => $this->outermost($values),
            Functions::Mean, Functions::Sum => $this->total($values, $widest, $rows),
            default => $this->ofDouble(Decimals::double($x), $rows),
        };
    }

    private function ofDouble(float $x, Rows $rows): ?float
    {
        if (($this->function === Functions::Sqrt && $x < 0) || (in_array($this->function, [Functions::Ln, Functions::Log10], true) && $x <= 0)) {
            $rows->noResult($this->function === Functions::Sqrt ? 'the square root of a negative number' : 'the logarithm of zero or less');

            return null;
        }

        return self::finite(match ($this->function) {
            Functions::Sqrt => sqrt($x),
            Functions::Ln => log($x),
            Functions::Log10 => log10($x),
            default => exp($x),
        }, $rows);
    }

    /** @param non-empty-list<float|BigDecimal> $values */
    private function outermost(array $values): float|BigDecimal
    {
        $best = $values[0];
        foreach ($values as $value) {
            $order = Decimals::order($value, $best);
            $best = $order === ($this->function === Functions::Min ? -1 : 1) ? $value : $best;
        }

        return $best;
    }

    /**
     * The sum, or for the mean its part: exact of decimals, where the mean is the double nearest to it if its decimals do not end.
     *
     * @param non-empty-list<float|BigDecimal> $values
     */
    private function total(array $values, ?int $decimals, Rows $rows): float|BigDecimal|null
    {
        $parts = $this->function === Functions::Mean ? count($values) : 1;
        if ($decimals === null) {
            return self::finite(array_sum(array_map(Decimals::double(...), $values)) / $parts, $rows);
        }
        $sum = 0.0;
        foreach ($values as $value) {
            $unscaled = is_float($value) ? Decimals::unscaled($value, $decimals) : null;
            $sum = $unscaled === null ? null : $sum + $unscaled;
            if ($sum === null) {
                break;
            }
        }
        $unit = 10.0 ** $decimals * $parts;
        if ($sum !== null && abs($sum) < Decimals::EXACT_BELOW && $unit < Decimals::EXACT_BELOW) {
            return $sum / $unit + 0.0;
        }
        $exact = BigDecimal::sum(...array_map(Decimals::exact(...), $values));
        $ends = $this->decimals();

        return $ends === null
            ? self::finite(Exact::toFloat($exact->toBigRational()->dividedBy($parts)) ?? 0.0, $rows)
            : Decimals::plain($exact->dividedBy($parts, $ends, RoundingMode::HALF_UP));
    }

    private static function finite(float $result, Rows $rows): ?float
    {
        if (is_finite($result)) {
            return $result;
        }
        $rows->noResult('the result is too large');

        return null;
    }

    /** To how many decimals is rounded. */
    private function places(): int
    {
        $places = isset($this->arguments[1]) && $this->arguments[1] instanceof Fixed ? $this->arguments[1]->value : 0.0;

        return is_float($places) ? (int) max(-15.0, min(15.0, $places)) : 0;
    }

    /** Half away from zero on the decimal text of the number, as a person rounds what they see. */
    private static function rounded(float|BigDecimal $value, int $decimals): float|BigDecimal
    {
        if (is_float($value) && abs($value) >= Decimals::EXACT_BELOW) {
            return $value;
        }
        $exact = Decimals::exact($value);
        if ($decimals >= 0) {
            return Decimals::plain($exact->toScale($decimals, RoundingMode::HALF_UP));
        }
        $unit = BigDecimal::of(10)->power(-$decimals);

        return Decimals::plain($exact->dividedBy($unit, 0, RoundingMode::HALF_UP)->multipliedBy($unit));
    }

    private function amongAll(float|BigDecimal $x, Summary $summary, Rows $rows): float|bool|null
    {
        if ($this->function === Functions::Rank) {
            return $summary->rank($x);
        }
        if ($this->function === Functions::Outlier) {
            return $summary->isOutlier($x);
        }
        $z = $summary->z($x);
        if ($z === null) {
            $rows->noResult('all values are equal, or there is only one');
        }

        return $z;
    }

    /** @return array{BigDecimal, BigDecimal} */
    private function edges(): array
    {
        $fixed = static fn(Node $node): BigDecimal => ($node instanceof Fixed ? $node->exact() : null) ?? BigDecimal::zero();

        return [$fixed($this->arguments[1]), $fixed($this->arguments[2])];
    }

    private static function classOf(BigDecimal $x, BigDecimal $start, BigDecimal $width): ?string
    {
        if ($width->isNegativeOrZero()) {
            return null;
        }
        $place = $x->minus($start)->dividedBy($width, 0, RoundingMode::FLOOR);
        $lower = $start->plus($place->multipliedBy($width));

        return '[' . Exact::plainDecimal($lower) . ', ' . Exact::plainDecimal($lower->plus($width)) . ')';
    }
}
