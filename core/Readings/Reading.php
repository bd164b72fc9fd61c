<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

/** A sentence that a rule wrote because its condition holds, with the figures that it rests on. */
final readonly class Reading
{
    /**
     * @param string                        $key     of its rule
     * @param string|null                   $column  label of the group; null = overall, or all groups together
     * @param array<string, int|float|null> $figures before rounding
     * @param string                        $rule    when it speaks, in one sentence
     * @param int                           $weight  0 to 100, how telling it is
     */
    public function __construct(
        public string $key,
        public ?string $column,
        public string $sentence,
        public array $figures,
        public string $rule,
        public string $source,
        public int $weight,
    ) {}

    /** @return array{key: string, column: string|null, sentence: string, figures: array<string, int|float|null>, rule: string, source: string, weight: int} */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'column' => $this->column,
            'sentence' => $this->sentence,
            'figures' => $this->figures,
            'rule' => $this->rule,
            'source' => $this->source,
            'weight' => $this->weight,
        ];
    }
}
