<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use RowTally\Core\Formula\Node\Fixed;
use RowTally\Core\Formula\Node\Node;

/**
 * What can be called in a formula: name => what it takes, what it gives, and what it does.
 *
 * Missing in, missing out, for all but `missing` and `if`, whose condition alone must be there.
 */
enum Functions: string
{
    case Abs = 'abs';
    case Sqrt = 'sqrt';
    case Ln = 'ln';
    case Log10 = 'log10';
    case Exp = 'exp';
    case Round = 'round';
    case Floor = 'floor';
    case Ceil = 'ceil';
    case Min = 'min';
    case Max = 'max';
    case Mean = 'mean';
    case Sum = 'sum';
    case If_ = 'if';
    case Missing = 'missing';
    case Z = 'z';
    case Rank = 'rank';
    case Classes = 'classes';
    case Outlier = 'outlier';

    /** How it is written, and what it gives. */
    public function sentence(): string
    {
        return match ($this) {
            self::Abs => 'abs(x): x without its sign',
            self::Sqrt => 'sqrt(x): the square root',
            self::Ln => 'ln(x): the natural logarithm',
            self::Log10 => 'log10(x): the logarithm to base 10',
            self::Exp => 'exp(x): e to the power of x',
            self::Round => 'round(x) or round(x, decimals): half away from zero',
            self::Floor => 'floor(x): the whole number at or below x',
            self::Ceil => 'ceil(x): the whole number at or above x',
            self::Min => 'min(x, y, …): the smallest in the row',
            self::Max => 'max(x, y, …): the largest in the row',
            self::Mean => 'mean(x, y, …): the mean in the row',
            self::Sum => 'sum(x, y, …): the sum in the row',
            self::If_ => 'if(condition, this, that)',
            self::Missing => 'missing(x): whether x has no value',
            self::Z => 'z(x): how many sample standard deviations x lies from the mean of all rows',
            self::Rank => 'rank(x): the place of x among all rows; equal values share the mean of their places',
            self::Classes => 'classes(x, start, width): the class that x falls into, such as [20, 25)',
            self::Outlier => 'outlier(x): whether x lies beyond a fence; in a condition by the fences of the basis or of the view of rows, in a made variable at 1.5 interquartile ranges',
        };
    }

    /** @return array{int, int} fewest and most arguments */
    public function arguments(): array
    {
        return match ($this) {
            self::Round => [1, 2],
            self::Min, self::Max, self::Mean, self::Sum => [1, 100],
            self::If_, self::Classes => [3, 3],
            default => [1, 1],
        };
    }

    /**
     * @param list<Node> $arguments
     *
     * @throws FormulaError when one is of the wrong kind
     */
    public function kind(array $arguments): Kind
    {
        if ($this === self::Missing) {
            return Kind::Truth;
        }
        if ($this === self::If_) {
            self::need($arguments[0], Kind::Truth);
            self::need($arguments[2], $arguments[1]->kind());

            return $arguments[1]->kind();
        }
        foreach ($arguments as $argument) {
            self::need($argument, Kind::Number);
        }
        foreach ($this === self::Classes ? [1, 2] : ($this === self::Round && isset($arguments[1]) ? [1] : []) as $fixed) {
            if (!$arguments[$fixed] instanceof Fixed) {
                throw FormulaError::notFixed($arguments[$fixed], $this === self::Round ? 'How many decimals' : 'Start and width of classes');
            }
        }

        return match ($this) {
            self::Classes => Kind::Text,
            self::Outlier => Kind::Truth,
            default => Kind::Number,
        };
    }

    /** Whether it needs more than its own row. */
    public function needsAllRows(): bool
    {
        return in_array($this, [self::Z, self::Rank, self::Outlier], true);
    }

    private static function need(Node $node, Kind $kind): void
    {
        if ($node->kind() !== $kind) {
            throw FormulaError::wrongKind($node, $kind);
        }
    }
}
