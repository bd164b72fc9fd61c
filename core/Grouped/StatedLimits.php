<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigDecimal;
use RowTally\Core\Parsing\ClassLabel;

/**
 * What the limits that a label states stand for, such as 12–17: from half below to half above, from the one to the other, or years completed.
 *
 * When        by how the values were taken: rounded, measured between boundaries, or counted when complete.
 * Misleads    The three move every midpoint by half a unit or more, and mean and median with them.
 */
enum StatedLimits: string
{
    case Rounded = 'rounded';
    case Boundaries = 'boundaries';
    case Completed = 'completed';

    public function words(): string
    {
        return match ($this) {
            self::Rounded => 'limits of rounded values',
            self::Boundaries => 'boundaries',
            self::Completed => 'completed units',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::Rounded => '12–17 covers 11.5 to 17.5: half a unit more on either side; its midpoint is 14.5.',
            self::Boundaries => '10–20 covers 10 to 20, and 20–30 goes on from there.',
            self::Completed => '12–17 covers 12 to under 18, as ages in years do; its midpoint is 15.',
        };
    }

    /**
     * By the labels: classes that touch state boundaries, others limits of rounded values.
     *
     * @param list<ClassLabel> $classes ascending
     */
    public static function recognised(array $classes): self
    {
        foreach ($classes as $i => $class) {
            $next = $classes[$i + 1] ?? null;
            if ($class->areBoundaries || ($class->high instanceof BigDecimal && $next?->low instanceof BigDecimal && $class->isBoundInside && $next->isBoundInside && $next->low->isEqualTo($class->high))) {
                return self::Boundaries;
            }
        }

        return self::Rounded;
    }
}
