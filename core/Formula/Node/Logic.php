<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use Brick\Math\BigDecimal;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Rows;

/** Conditions joined by and, or, not. A missing condition may be either: "false and missing" is false, "true and missing" missing. */
final readonly class Logic implements Node
{
    /** @param non-empty-list<Node> $conditions */
    public function __construct(
        private string $word,
        private array $conditions,
        private int $at,
    ) {}

    public function kind(): Kind
    {
        return Kind::Truth;
    }

    public function at(): int
    {
        return $this->at;
    }

    public function decimals(): ?int
    {
        return null;
    }

    public function of(Rows $rows): array
    {
        $results = $this->conditions[0]->of($rows);
        if ($this->word === 'not') {
            return array_map(static fn(float|BigDecimal|string|bool|null $holds): ?bool => $holds === null ? null : $holds === false, $results);
        }
        // "and" is decided by one false, "or" by one true.
        $decides = $this->word === 'or';
        foreach (array_slice($this->conditions, 1) as $condition) {
            foreach ($condition->of($rows) as $i => $holds) {
                $results[$i] = match (true) {
                    $results[$i] === $decides, $holds === $decides => $decides,
                    $results[$i] === null, $holds === null => null,
                    default => !$decides,
                };
            }
        }

        return array_values($results);
    }

    public function parts(): array
    {
        return $this->conditions;
    }
}
