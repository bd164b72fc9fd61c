<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/**
 * Which bucket a value falls into, where buckets of one width follow one another: whole numbers by their leading bits, doubles by a
 * product, which keeps their order as well. They may cover where most values lie and no more: those below are in the first bucket, too, those
 * above in the last, so that a few far out do not put nearly all into one.
 */
final readonly class BucketPlaces
{
    /** @param int $shift of whole numbers; $perUnit of doubles */
    private function __construct(
        private int|float $low,
        private int|float $high,
        private int|float $max,
        public int $buckets,
        private int $shift,
        private float $perUnit,
    ) {}

    /**
     * @param int          $max  no value is larger
     * @param positive-int $most buckets that there may be
     */
    public static function ofIntegers(int $low, int $high, int $most, ?int $max = null): self
    {
        $shift = 0;
        while (($high - $low) >> $shift >= $most) {
            ++$shift;
        }

        return new self($low, $high, $max ?? $high, (($high - $low) >> $shift) + 1, $shift, 0.0);
    }

    /** @param positive-int $most */
    public static function ofDoubles(float $low, float $high, int $most): self
    {
        $range = $high - $low;

        // A little less than the number of buckets, so that the highest value falls into the last one.
        return new self($low, $high, $high, $most, 0, $range > 0.0 && is_finite($range) ? ($most - 0.001) / $range : 0.0);
    }

    /**
     * @param list<array<int, int>|array<int, float>> $parts
     *
     * @return array{array<int, int>, array<int, int|float>} of each bucket how many values fall into it, and a value that none of it exceeds and all of the next do
     */
    public function counted(array $parts): array
    {
        if (is_int($this->low) && is_int($this->high)) {
            /** @var list<array<int, int>> $parts */
            $upTo = [];
            for ($number = 1; $number < $this->buckets; ++$number) {
                $upTo[] = $this->low + ($number << $this->shift) - 1;
            }

            return [self::countedIntegers($parts, $this->buckets, $this->low, $this->high, $this->shift), [...$upTo, $this->max]];
        }

        /** @var list<array<int, float>> $parts */
        return self::countedDoubles($parts, $this->buckets, (float) $this->low, (float) $this->high, $this->perUnit);
    }

    /**
     * @param list<array<int, int>|array<int, float>> $parts
     * @param list<int>                               $numbers of buckets
     *
     * @return array<int, list<int>|list<float>> by the number of the bucket
     */
    public function sifted(array $parts, array $numbers): array
    {
        $isWanted = array_fill(0, $this->buckets, false);
        foreach ($numbers as $number) {
            $isWanted[$number] = true;
        }
        $found = array_fill_keys($numbers, []);
        if (is_int($this->low) && is_int($this->high)) {
            /** @var list<array<int, int>> $parts */
            return self::siftedIntegers($parts, $isWanted, $found, $this->low, $this->high, $this->shift);
        }

        /** @var list<array<int, float>> $parts */
        return self::siftedDoubles($parts, $isWanted, $found, (float) $this->low, (float) $this->high, $this->perUnit);
    }

    /**
     * @param list<array<int, int>> $parts
     *
     * @return array<int, int>
     */
    private static function countedIntegers(array $parts, int $buckets, int $low, int $high, int $shift): array
    {
        $counts = array_fill(0, $buckets, 0);
        $last = $buckets - 1;
        foreach ($parts as $values) {
            foreach ($values as $value) {
                ++$counts[$value <= $low ? 0 : ($value >= $high ? $last : ($value - $low) >> $shift)];
            }
        }

        return $counts;
    }

    /**
     * @param list<array<int, float>> $parts
     *
     * @return array{array<int, int>, array<int, float>}
     */
    private static function countedDoubles(array $parts, int $buckets, float $low, float $high, float $perUnit): array
    {
        $counts = array_fill(0, $buckets, 0);
        $last = $buckets - 1;
        $highest = array_fill(0, $buckets, -INF);
        foreach ($parts as $values) {
            foreach ($values as $value) {
                $number = $value <= $low ? 0 : ($value >= $high ? $last : (int) (($value - $low) * $perUnit));
                ++$counts[$number];
                if ($value > $highest[$number]) {
                    $highest[$number] = $value;
                }
            }
        }

        return [$counts, $highest];
    }

    /**
     * @param list<array<int, int>> $parts
     * @param array<int, bool>      $isWanted
     * @param array<int, list<int>> $found
     *
     * @return array<int, list<int>>
     */
    private static function siftedIntegers(array $parts, array $isWanted, array $found, int $low, int $high, int $shift): array
    {
        $last = count($isWanted) - 1;
        foreach ($parts as $values) {
            foreach ($values as $value) {
                $number = $value <= $low ? 0 : ($value >= $high ? $last : ($value - $low) >> $shift);
                if ($isWanted[$number]) {
                    $found[$number][] = $value;
                }
            }
        }

        return $found;
    }

    /**
     * @param list<array<int, float>> $parts
     * @param array<int, bool>        $isWanted
     * @param array<int, list<float>> $found
     *
     * @return array<int, list<float>>
     */
    private static function siftedDoubles(array $parts, array $isWanted, array $found, float $low, float $high, float $perUnit): array
    {
        $last = count($isWanted) - 1;
        foreach ($parts as $values) {
            foreach ($values as $value) {
                $number = $value <= $low ? 0 : ($value >= $high ? $last : (int) (($value - $low) * $perUnit));
                if ($isWanted[$number]) {
                    $found[$number][] = $value;
                }
            }
        }

        return $found;
    }
}
