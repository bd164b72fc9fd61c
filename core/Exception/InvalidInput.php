<?php

declare(strict_types=1);

namespace RowTally\Core\Exception;

use InvalidArgumentException;

/** A caller handed the core something that breaks a stated rule of its parameters. */
final class InvalidInput extends InvalidArgumentException implements CoreException
{
    public static function rankOutside(int $rank, int $n): self
    {
        return new self("Rank {$rank} lies outside 1 to {$n}.");
    }

    public static function differentUnits(): self
    {
        return new self('Power sums of decimals and of doubles cannot be added; tally the values again as doubles.');
    }

    public static function notEncodable(string $what): self
    {
        return new self("These values cannot be packed as {$what}.");
    }

    public static function noValues(string $what): self
    {
        return new self("{$what} needs at least one value.");
    }
}
