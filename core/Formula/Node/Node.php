<?php

declare(strict_types=1);

namespace RowTally\Core\Formula\Node;

use Brick\Math\BigDecimal;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Rows;

/** A part of a formula. */
interface Node
{
    public function kind(): Kind;

    /** Where it stands in the formula, in characters from 0. */
    public function at(): int;

    /** Decimals that hold every result of a number exactly; null where no fixed number does. */
    public function decimals(): ?int;

    /** @return list<float|BigDecimal|string|bool|null> one for each row, missing as null; a number is a double unless that would lose digits */
    public function of(Rows $rows): array;

    /** @return list<Node> */
    public function parts(): array;
}
