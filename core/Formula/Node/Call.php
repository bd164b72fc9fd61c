<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
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

        return match ($this->function) {
            Functions::Abs, Functions::Min, Functions::Max, Functions::Sum => $widest,
            Functions::Floor, Functions::Ceil => 0,
            Functions::Round => isset($this->arguments[1]) && $this->arguments[1] instanceof Fixed ? max(0, (int) $this->arguments[1]->value) : 0,
            Functions::If_ => $own[1] === null || $own[2] === null ? null : max($own[1], $own[2]),
            default => null,
        };
    }

    public function of(Rows $rows): array
    {
        $columns = array_map(static fn(Node $node): array => $node->of($rows), $this->arguments);
        $summary = $this->function->needsAllRows() ? $rows->summary($this->arguments[0]) : null;
        $edges = $this->function === Functions::Classes ? $this->edges() : null;
        $results = [];
        for ($i = 0; $i < $rows->count(); ++$i) {
            $values = array_column($columns, $i);
            $results[] = match (true) {
                $this->function === Functions::Missing => $values[0] === null,
                $this->function === Functions::If_ => $values[0] === null ? null : $values[$values[0] === true ? 1 : 2],
                in_array(null, $values, true) => null,
                $edges !== null => self::classOf((float) $values[0], ...$edges),
                $summary !== null => $this->amongAll((float) $values[0], $summary, $rows),
                default => $this->ofRow(array_map(static fn(float|string|bool|null $value): float => (float) $value, $values), $rows),
            };
        }

        return $results;
    }

    public function parts(): array
    {
        return $this->arguments;
    }

    /** @param list<float> $values */
    private function ofRow(array $values, Rows $rows): ?float
    {
        $x = $values[0] ?? 0.0;
        if (($this->function === Functions::Sqrt && $x < 0) || (in_array($this->function, [Functions::Ln, Functions::Log10], true) && $x <= 0)) {
            $rows->noResult($this->function === Functions::Sqrt ? 'the square root of a negative number' : 'the logarithm of zero or less');

            return null;
        }
        $decimals = $this->decimals();
        $result = match ($this->function) {
            Functions::Abs => abs($x),
            Functions::Sqrt => sqrt($x),
            Functions::Ln => log($x),
            Functions::Log10 => log10($x),
            Functions::Exp => exp($x),
            Functions::Round => self::rounded($x, (int) ($values[1] ?? 0)),
            Functions::Floor => floor($x),
            Functions::Ceil => ceil($x) + 0.0,
            Functions::Min => min([$x, ...$values]),
            Functions::Max => max([$x, ...$values]),
            Functions::Mean => array_sum($values) / count($values),
            default => $decimals === null ? array_sum($values) : round(array_sum($values), $decimals) + 0.0,
        };
        if (!is_finite($result)) {
            $rows->noResult('the result is too large');

            return null;
        }

        return $result;
    }

    /** Half away from zero on the decimal text of the number, as a person rounds what they see. */
    private static function rounded(float $value, int $decimals): float
    {
        if (abs($value) >= 1e15) {
            return $value;
        }
        $decimals = max(-15, min(15, $decimals));
        $exact = BigDecimal::of(Exact::shortestText($value));
        if ($decimals >= 0) {
            return (float) (string) $exact->toScale($decimals, RoundingMode::HALF_UP) + 0.0;
        }
        $unit = BigDecimal::of(10)->power(-$decimals);

        return (float) (string) $exact->dividedBy($unit, 0, RoundingMode::HALF_UP)->multipliedBy($unit) + 0.0;
    }

    private function amongAll(float $x, Summary $summary, Rows $rows): float|bool|null
    {
        if ($this->function === Functions::Rank) {
            return $summary->rank($x);
        }
        if ($this->function === Functions::Outlier) {
            return $summary->lowerFence !== null && $summary->upperFence !== null && ($x < $summary->lowerFence || $x > $summary->upperFence);
        }
        if ($summary->mean === null || $summary->standardDeviation === null || $summary->standardDeviation === 0.0) {
            $rows->noResult('all values are equal, or there is only one');

            return null;
        }

        return ($x - $summary->mean) / $summary->standardDeviation;
    }

    /** @return array{BigDecimal, BigDecimal} */
    private function edges(): array
    {
        $fixed = static fn(Node $node): BigDecimal => BigDecimal::of($node instanceof Fixed ? Exact::plainText((float) $node->value) : '0');

        return [$fixed($this->arguments[1]), $fixed($this->arguments[2])];
    }

    private static function classOf(float $x, BigDecimal $start, BigDecimal $width): ?string
    {
        if ($width->isNegativeOrZero()) {
            return null;
        }
        $place = BigDecimal::of(Exact::shortestText($x))->minus($start)->dividedBy($width, 0, RoundingMode::FLOOR);
        $lower = $start->plus($place->multipliedBy($width));

        return '[' . Exact::plainDecimal($lower) . ', ' . Exact::plainDecimal($lower->plus($width)) . ')';
    }
}
