<?php

declare(strict_types=1);

namespace App\Store\Changes;

use RowTally\Core\Parsing\Finding;
use RuntimeException;

/** A change cannot be made as asked; the findings say why, where, and what would do. Nothing was changed. */
final class ChangeRefused extends RuntimeException
{
    /** @param non-empty-list<Finding> $findings */
    public function __construct(public readonly array $findings)
    {
        parent::__construct(implode(' ', array_map(static fn(Finding $finding): string => $finding->sentence(), array_slice($findings, 0, 5))));
    }

    public static function because(string $code, string $found, string $expected, string $remedy): self
    {
        return new self([new Finding($code, $found, $expected, $remedy)]);
    }
}
