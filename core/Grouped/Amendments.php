<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigDecimal;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Exception\NotUnderstood;

/**
 * What somebody knows better about classes than their labels tell, in words such as `edge0:5.5,width7:10,middle2:14.2,unit:0.1`:
 * boundaries (0 is the lowest), widths of open classes, midpoints (class 0 is the lowest), and the unit that values were rounded to.
 */
final readonly class Amendments
{
    private const MOST = 400;

    /**
     * @param array<int, BigDecimal> $edges
     * @param array<int, BigDecimal> $widths
     * @param array<int, BigDecimal> $middles
     */
    private function __construct(
        public array $edges = [],
        public array $widths = [],
        public array $middles = [],
        public ?BigDecimal $unit = null,
    ) {}

    public static function none(): self
    {
        return new self();
    }

    /** @throws NotUnderstood */
    public static function ofWord(string $word): self
    {
        $edges = $widths = $middles = [];
        $unit = null;
        foreach (array_slice(array_filter(array_map(trim(...), explode(',', $word)), static fn(string $part): bool => $part !== ''), 0, self::MOST) as $part) {
            if (preg_match('/^(edge|width|middle|unit)(\d{1,4})?:([-−]?\d{1,15}(?:\.\d{1,9})?)$/Du', $part, $match) !== 1 || ($match[1] === 'unit') !== ($match[2] === '')) {
                throw NotUnderstood::notAnAmendment($part);
            }
            $number = BigDecimal::of(str_replace('−', '-', $match[3]));
            if (in_array($match[1], ['width', 'unit'], true) && !$number->isPositive()) {
                throw NotUnderstood::notAnAmendment($part);
            }
            match ($match[1]) {
                'edge' => $edges[(int) $match[2]] = $number,
                'width' => $widths[(int) $match[2]] = $number,
                'middle' => $middles[(int) $match[2]] = $number,
                default => $unit = $number,
            };
        }

        return new self($edges, $widths, $middles, $unit);
    }

    public function areNone(): bool
    {
        return $this->edges === [] && $this->widths === [] && $this->middles === [] && $this->unit === null;
    }

    /** @param list<ClassRow> $rows as their labels tell, ascending */
    public function words(array $rows): string
    {
        $label = static fn(int $i): string => $rows[$i]->label ?? '?';
        $text = DecimalText::plain(...);
        $words = $this->unit === null ? [] : ["rounding unit {$text($this->unit)}"];
        foreach ($this->edges as $i => $edge) {
            $words[] = $i === 0 ? "“{$label(0)}” from {$text($edge)}" : "“{$label($i - 1)}” up to {$text($edge)}";
        }
        foreach ($this->widths as $i => $width) {
            $words[] = "“{$label($i)}” {$text($width)} wide";
        }
        foreach ($this->middles as $i => $middle) {
            $words[] = "midpoint of “{$label($i)}” {$text($middle)}";
        }

        return implode('; ', $words);
    }
}
