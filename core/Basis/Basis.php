<?php

declare(strict_types=1);

namespace RowTally\Core\Basis;

/**
 * The conventions behind every number of a profile. The only place where they have defaults; the same words serve the
 * address, the API and the command line.
 */
final readonly class Basis
{
    public function __construct(
        public TakenAs $takenAs = TakenAs::Sample,
        public QuartileRule $quartileRule = QuartileRule::HalvesExcluded,
        public ClassEdge $classEdge = ClassEdge::Left,
        /** Fences lie this many interquartile ranges beyond the quartiles, as decimal text. */
        public string $innerFence = '1.5',
        public string $outerFence = '3',
        /** How many decimals more than the data carry are shown. */
        public int $extraDecimals = 1,
    ) {}

    /** @return array{as: string, quartiles: string, class_edge: string, fences: float, missing: string, counts: null} the wire words */
    public function toArray(): array
    {
        return [
            'as' => $this->takenAs->value,
            'quartiles' => $this->quartileRule->value,
            'class_edge' => $this->classEdge->value,
            'fences' => (float) $this->innerFence,
            'missing' => 'per-variable',
            'counts' => null,
        ];
    }
}
