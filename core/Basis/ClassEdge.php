<?php

declare(strict_types=1);

namespace RowTally\Core\Basis;

/**
 * Which class a value on an edge belongs to. The outermost class of the open end is closed at both ends.
 *
 * When        from 20 to under 25 is usual for measured values; over 20 to 25 for limits that may be reached.
 * Misleads    Of whole numbers whose edges are whole, one side counts another value in each class: the shape can change.
 */
enum ClassEdge: string
{
    case Left = 'left';
    case Right = 'right';

    public function words(): string
    {
        return match ($this) {
            self::Left => '[a, b): a value on an edge belongs to the class above it',
            self::Right => '(a, b]: a value on an edge belongs to the class below it',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::Left => 'The outermost class above is closed at both ends.',
            self::Right => 'The outermost class below is closed at both ends.',
        };
    }
}
