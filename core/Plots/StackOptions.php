<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use RowTally\Core\Exception\NotUnderstood;

/** How the aligned stack is wanted. */
final readonly class StackOptions
{
    public ClassChoice $classes;

    /** @param list<Marker> $markers lines that run through the stack */
    public function __construct(
        ?ClassChoice $classes = null,
        public HeightScale $scale = HeightScale::Count,
        public array $markers = [Marker::Quartiles, Marker::Median],
        public bool $withNormalCurve = false,
        /** Whether each group's bars reach as high as they can. */
        public bool $ownScales = false,
        /** @var array{BigDecimal, BigDecimal}|null what the axis covers, where that is not all */
        public ?array $zoom = null,
    ) {
        $this->classes = $classes ?? ClassChoice::ofWord('');
    }

    /**
     * A part of the axis, from one value to a larger one, such as 10:25.5; '' = all of it.
     *
     * @return array{BigDecimal, BigDecimal}|null
     *
     * @throws NotUnderstood
     */
    public static function zoomOfWord(string $word): ?array
    {
        if ($word === '') {
            return null;
        }
        $number = '(-?\d{1,15}(?:\.\d{1,12})?)';
        if (preg_match("/^{$number}:{$number}$/", str_replace('−', '-', $word), $part) !== 1 || BigDecimal::of($part[1])->isGreaterThanOrEqualTo($part[2])) {
            throw NotUnderstood::noZoom($word);
        }

        return [BigDecimal::of($part[1]), BigDecimal::of($part[2])];
    }
}
