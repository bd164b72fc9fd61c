<?php

declare(strict_types=1);

namespace Tests\Core\Support;

/** The tolerances of one reference case: the key with the most steps that fits a path wins, without `*` before with. */
final readonly class Tolerances
{
    /** @param array<string, array{rel: float, abs: float}> $byPath */
    public function __construct(private array $byPath) {}

    public function allow(string $path, float $expected, int|float|null $got): bool
    {
        ['rel' => $rel, 'abs' => $abs] = $this->of($path);

        return $got !== null && abs($got - $expected) <= $rel * abs($expected) + $abs;
    }

    /** @return array{rel: float, abs: float} */
    private function of(string $path): array
    {
        $steps = explode('/', $path);
        $best = $this->byPath['default'];
        $rank = -1;
        foreach ($this->byPath as $key => $tolerance) {
            $pattern = explode('/', $key);
            foreach ($pattern as $i => $step) {
                if ($key === 'default' || ($step !== '*' && $step !== ($steps[$i] ?? null)) || !isset($steps[$i])) {
                    continue 2;
                }
            }
            $score = 2 * count($pattern) + (in_array('*', $pattern, true) ? 0 : 1);
            [$best, $rank] = $score > $rank ? [$tolerance, $score] : [$best, $rank];
        }

        return $best;
    }
}
