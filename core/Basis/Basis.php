<?php

declare(strict_types=1);

namespace RowTally\Core\Basis;

use Brick\Math\BigDecimal;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Values\Exact;

/**
 * The conventions behind every number of a profile. The only place where they have defaults; the same words serve the
 * address, the API, the command line and whatever is kept.
 */
final readonly class Basis
{
    public ShownDecimals $decimals;

    public function __construct(
        public SampleOrPopulation $takenAs = SampleOrPopulation::Sample,
        public QuartileRule $quartileRule = QuartileRule::HalvesExcluded,
        public ClassEdge $classEdge = ClassEdge::Left,
        /** Fences lie this many interquartile ranges beyond the quartiles, as decimal text. */
        public string $innerFence = '1.5',
        /** Confidence level as decimal text, 0.5 to 0.999. */
        public string $level = '0.95',
        public MissingRows $missingRows = MissingRows::PerVariable,
        ?ShownDecimals $decimals = null,
        /** What the variable is called whose numbers say how often a row counts; null = each row once. */
        public ?string $counts = null,
        /** The condition that leaves rows in, as it was typed; null = all rows. */
        public ?string $where = null,
        /** What a count of 1 stands for, such as thousands; null = one. */
        public ?string $countsUnit = null,
        /** How many rows are set aside, which no figure counts. */
        public int $setAside = 0,
    ) {
        if (preg_match('/^\d{1,2}(\.\d{1,3})?$/', $innerFence) !== 1 || (float) $innerFence <= 0.0) {
            throw NotUnderstood::notAFence($innerFence);
        }
        if (preg_match('/^0\.\d{1,6}$/', $level) !== 1 || (float) $level < 0.5 || (float) $level > 0.999) {
            throw NotUnderstood::notALevel($level);
        }
        $this->decimals = $decimals ?? ShownDecimals::more(1);
    }

    /** Values beyond this are far outliers: twice the inner multiplier, 3 where that is 1.5. */
    public function outerFence(): string
    {
        return Exact::plainDecimal(BigDecimal::of($this->innerFence)->multipliedBy(2));
    }

    public function levelPercent(): string
    {
        return self::percentOf($this->level);
    }

    /** A share as decimal text, in percent: 0.57 is 57. */
    public static function percentOf(string $share): string
    {
        return Exact::plainDecimal(BigDecimal::of($share)->multipliedBy(100));
    }

    /** The same, where a count of 1 stands for so many. */
    public function countedIn(?string $unit): self
    {
        return new self($this->takenAs, $this->quartileRule, $this->classEdge, $this->innerFence, $this->level, $this->missingRows, $this->decimals, $this->counts, $this->where, $unit, $this->setAside);
    }

    /** The same over all rows, each once. */
    public function ofAll(): self
    {
        return new self($this->takenAs, $this->quartileRule, $this->classEdge, $this->innerFence, $this->level, MissingRows::PerVariable, $this->decimals);
    }

    /** The same but for some conventions. */
    public function with(?SampleOrPopulation $takenAs = null, ?QuartileRule $quartileRule = null, ?string $innerFence = null, ?string $level = null): self
    {
        return new self(
            $takenAs ?? $this->takenAs,
            $quartileRule ?? $this->quartileRule,
            $this->classEdge,
            $innerFence ?? $this->innerFence,
            $level ?? $this->level,
            $this->missingRows,
            $this->decimals,
            $this->counts,
            $this->where,
            $this->countsUnit,
            $this->setAside,
        );
    }

    /** @return array{as: string, quartiles: string, class_edge: string, fences: float, level: float, missing: string, decimals: string, counts: string|null, counts_unit: string|null, where: string|null, set_aside: int, words: string} the wire words */
    public function toArray(): array
    {
        return [
            'as' => $this->takenAs->value,
            'quartiles' => $this->quartileRule->value,
            'class_edge' => $this->classEdge->value,
            'fences' => (float) $this->innerFence,
            'level' => (float) $this->level,
            'missing' => $this->missingRows->value,
            'decimals' => $this->decimals->word(),
            'counts' => $this->counts,
            'counts_unit' => $this->countsUnit,
            'where' => $this->where,
            'set_aside' => $this->setAside,
            'words' => $this->words(),
        ];
    }

    /** All of it in one sentence, for whatever leaves the screen. */
    public function words(): string
    {
        return "Taken as a {$this->takenAs->words()}; quartiles by {$this->quartileRule->words()}; "
            . ($this->counts === null ? 'no counts' : "counts from {$this->counts}" . ($this->countsUnit === null ? '' : ", in {$this->countsUnit}")) . '; '
            . ($this->where === null ? 'all rows' : "rows where {$this->where}") . ($this->setAside === 0 ? '' : ' but ' . number_format($this->setAside) . ' set aside') . '; '
            . "missing {$this->missingRows->words()}; fences at {$this->innerFence} IQR; class edges {$this->classEdge->words()}; "
            . "{$this->levelPercent()} % intervals; shown {$this->decimals->words()}.";
    }
}
