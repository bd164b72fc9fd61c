<?php

declare(strict_types=1);

namespace App\Console;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Readings\RowWord;

/** What is asked of a file on the command line, in the words of the address. */
final readonly class FileQuestion
{
    /**
     * @param list<string> $names       of variables; none = every number variable
     * @param list<string> $by          of the variables that split the rows, none to two
     * @param list<string> $figures     keys of figures to show in tables; JSON has all of them
     * @param list<string> $percentiles in percent
     */
    public function __construct(
        public array $names,
        public array $by,
        public Basis $basis,
        public array $figures,
        public array $percentiles,
        public ClassChoice $classes,
        /** A figure that was stated, to be matched. */
        public ?string $match = null,
        /** Key of a figure whose working is wanted. */
        public ?string $working = null,
        /** Whether numbers are put into classes too. */
        public bool $tallies = false,
        /** What a row is called in readings; null = they are not wanted. */
        public ?RowWord $readings = null,
    ) {}

    /** The same, its counts in the unit that their column has. */
    public function countedAsIn(FileColumns $columns): self
    {
        $counts = $this->basis->counts;

        return $counts === null ? $this : new self($this->names, $this->by, $this->basis->countedIn($columns->variable($counts)->unit), $this->figures, $this->percentiles, $this->classes, $this->match, $this->working, $this->tallies, $this->readings);
    }
}
