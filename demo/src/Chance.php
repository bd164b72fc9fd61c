<?php

declare(strict_types=1);

namespace RowTally\Demo;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Made-up numbers from a seed: the same seed gives the same data on every machine. */
final class Chance
{
    private readonly Randomizer $randomizer;

    public function __construct(int $seed)
    {
        $this->randomizer = new Randomizer(new Mt19937($seed));
    }

    public function whole(int $from, int $to): int
    {
        return $this->randomizer->getInt($from, $to);
    }

    /** From 0 up to, not with, 1. */
    public function uniform(): float
    {
        return $this->randomizer->getInt(0, 0x7FFFFFFF) / 0x80000000;
    }

    public function happens(float $probability): bool
    {
        return $this->uniform() < $probability;
    }

    /** Roughly normal: the sum of twelve uniforms, which every machine adds up alike. */
    public function normal(float $mean, float $sd): float
    {
        $sum = -6.0;
        for ($i = 0; $i < 12; ++$i) {
            $sum += $this->uniform();
        }

        return $mean + $sd * $sum;
    }

    /**
     * @template T
     *
     * @param non-empty-list<T>   $items
     * @param non-empty-list<int> $weights
     *
     * @return T
     */
    public function pick(array $items, array $weights): mixed
    {
        $draw = $this->whole(1, array_sum($weights));
        foreach ($items as $i => $item) {
            $draw -= $weights[$i];
            if ($draw <= 0) {
                return $item;
            }
        }

        return $items[0];
    }
}
