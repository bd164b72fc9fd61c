<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\ScaledBound;

/** Classes side by side, their edges exact decimals: equal ones, or of whatever widths somebody typed. */
final class Classes
{
    private const MOST_DECIMALS = 15;
    private const MOST_UNSCALED = 10 ** self::MOST_DECIMALS;

    /** @var list<BigDecimal>|null made when they are first asked for, as several parts of a picture do */
    private ?array $edges = null;
    /** @var array{list<int>, int}|false|null false = 15 digits do not hold them */
    private array|false|null $unscaled = null;
    /** @var array<string, non-empty-list<string>> by the side that is closed */
    private array $labels = [];

    /** @param list<BigDecimal>|null $unequal the edges where the widths differ */
    public function __construct(
        public readonly BigDecimal $start,
        /** greater than 0; of unequal classes the first one's */
        public readonly BigDecimal $width,
        /** 1 or more */
        public readonly int $number,
        private readonly ?array $unequal = null,
        /** Whether each class is one possible value with half a step on either side, and is called after it. */
        public readonly bool $holdOneValueEach = false,
    ) {}

    public static function oneValueEach(BigDecimal $lowest, BigDecimal $step, int $number): self
    {
        return new self($lowest->minus($step->multipliedBy('0.5')), $step, $number, null, true);
    }

    /** @param list<BigDecimal> $edges two or more, ascending */
    public static function ofEdges(array $edges): self
    {
        $number = count($edges) - 1;
        $width = $edges[1]->minus($edges[0]);
        $areEqual = true;
        for ($i = 1; $i < $number; ++$i) {
            $areEqual = $areEqual && $edges[$i + 1]->minus($edges[$i])->isEqualTo($width);
        }

        return new self($edges[0], $width, $number, $areEqual ? null : $edges);
    }

    public function areEqual(): bool
    {
        return $this->unequal === null;
    }

    /** From the same start and of the same width, as many as it takes to reach a value; one at least. */
    public function reaching(BigDecimal $value): self
    {
        $number = $value->minus($this->start)->toBigRational()->dividedBy($this->width)->toScale(0, RoundingMode::CEILING)->toInt();

        return new self($this->start, $this->width, max(1, $number));
    }

    public function edge(int $index): BigDecimal
    {
        $this->edges ??= $this->unequal ?? $this->equalEdges();

        return $this->edges[$index];
    }

    /** @return list<BigDecimal> in machine integers while they hold them, which is several times faster */
    private function equalEdges(): array
    {
        $decimals = max($this->start->getScale(), $this->width->getScale());
        $first = $this->start->toScale($decimals)->getUnscaledValue();
        $step = $this->width->toScale($decimals)->getUnscaledValue();
        if ($first->abs()->plus($step->multipliedBy($this->number))->isGreaterThan(PHP_INT_MAX)) {
            return array_map(fn(int $i): BigDecimal => $this->start->plus($this->width->multipliedBy($i)), range(0, $this->number));
        }
        [$first, $step] = [$first->toInt(), $step->toInt()];

        return array_map(static fn(int $i): BigDecimal => BigDecimal::ofUnscaledValue($first + $i * $step, $decimals), range(0, $this->number));
    }

    public function widthOf(int $index): BigDecimal
    {
        return $this->edge($index + 1)->minus($this->edge($index));
    }

    public function end(): BigDecimal
    {
        return $this->edge($this->number);
    }

    /** The same over values of such a step, where each class turns out to be one of them: one that somebody has typed may be. */
    public function over(?BigDecimal $step, ?BigDecimal $value): self
    {
        $isOneEach = $step !== null && $value !== null && $this->areEqual() && $this->width->isEqualTo($step)
            && $value->minus($this->middle(0))->remainder($step)->isZero();

        return $isOneEach ? self::oneValueEach($this->middle(0), $this->width, $this->number) : $this;
    }

    /**
     * What stands under the bars: the boundaries, or the values that classes are.
     *
     * @return list<array{at: float, text: string}>
     */
    public function ticks(): array
    {
        $places = $this->holdOneValueEach ? array_map($this->middle(...), range(0, $this->number - 1)) : array_map($this->edge(...), range(0, $this->number));

        return array_map(static fn(BigDecimal $at): array => ['at' => Exact::clamped($at), 'text' => Axis::roundText($at)], $places);
    }

    private function middle(int $index): BigDecimal
    {
        return $this->edge($index)->plus($this->edge($index + 1))->multipliedBy('0.5');
    }

    /** @return array{list<int>, int}|null the edges as whole numbers, and over how many decimals; null where 15 digits do not hold them */
    public function unscaledEdges(): ?array
    {
        $this->unscaled ??= $this->inWholeNumbers() ?? false;

        return $this->unscaled === false ? null : $this->unscaled;
    }

    /** @return array{list<int>, int}|null */
    private function inWholeNumbers(): ?array
    {
        $edges = array_map($this->edge(...), range(0, $this->number));
        $decimals = max(array_map(static fn(BigDecimal $edge): int => $edge->getScale(), $edges));
        $unscaled = array_map(static fn(BigDecimal $edge): int => ScaledBound::ofDecimal($edge, $decimals, false), $edges);

        return max(-$unscaled[0], $unscaled[$this->number]) < self::MOST_UNSCALED && $decimals < self::MOST_DECIMALS ? [$unscaled, $decimals] : null;
    }

    /** @return list<float> the number + 1 edges, each the double nearest to its decimal */
    public function edges(): array
    {
        return array_map(fn(int $i): float => Exact::clamped($this->edge($i)), range(0, $this->number));
    }

    /** @return non-empty-list<string> each class in words: "20 to under 25", or "over 20 to 25"; the value it is centred on */
    public function labels(ClassEdge $edge): array
    {
        return $this->labels[$edge->value] ??= array_map(fn(int $i): string => $this->label($i, $edge), range(0, $this->number - 1));
    }

    /** The condition that leaves the rows in one of them: the outermost at the open end is closed on both sides. */
    public function condition(string $name, int $place, ClassEdge $closed): string
    {
        return Condition::between($name, $this->edge($place), $closed === ClassEdge::Left || $place === 0, $this->edge($place + 1), $closed === ClassEdge::Right || $place === $this->number - 1);
    }

    private function label(int $i, ClassEdge $edge): string
    {
        $text = DecimalText::whole(...);
        if ($this->holdOneValueEach) {
            return $text($this->middle($i));
        }
        [$from, $to] = [$text($this->edge($i)), $text($this->edge($i + 1))];

        return match (true) {
            $edge === ClassEdge::Left && $i === $this->number - 1, $edge === ClassEdge::Right && $i === 0 => "{$from} to {$to}",
            $edge === ClassEdge::Left => "{$from} to under {$to}",
            default => "over {$from} to {$to}",
        };
    }
}
