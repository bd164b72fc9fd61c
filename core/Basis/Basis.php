<?php

declare(strict_types=1);

namespace RowTally\Core\Basis;

use Brick\Math\BigDecimal;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Marks\NumberMarks;
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
        /**
         * Fences lie this many interquartile ranges beyond the quartiles; far outliers beyond twice as many.
         *
         * When        1.5 is usual; more where a long tail is as it should be.
         * Misleads    The number is a habit and no test: at 1.5 about seven of a thousand normal values lie beyond, at 3 two of a million.
         * Source      Tukey, Exploratory Data Analysis (1977), chapter 2.
         */
        public string $innerFence = '1.5',
        /**
         * How often intervals made this way hold what they are of: a share from 0.5 to 0.999.
         *
         * When        0.95 is usual; more where being wrong costs much.
         * Misleads    It is of the way of making intervals: of one interval nobody knows whether it holds the mean.
         * Source      Neyman, Philosophical Transactions of the Royal Society A 236 (1937) 333–380.
         */
        public string $level = '0.95',
        public MissingRows $missingRows = MissingRows::PerVariable,
        ?ShownDecimals $decimals = null,
        /**
         * What the variable is called whose numbers say how often a row counts. Without one, each row counts once.
         *
         * When        where each row stands for several that are alike: a table of values and how often they were found.
         * Misleads    A size or a weight is no count: taken as one it makes large rows decide. Counts that are not whole have a sample SD that hangs on their
         *             unit.
         */
        public ?string $counts = null,
        /**
         * The condition that leaves rows in, as it was typed. Without one, all rows are in.
         *
         * When        to describe a part of the rows, which the report then says with every figure.
         * Misleads    A condition on the variable that is described cuts its tails off: its spread is too small then.
         */
        public ?string $where = null,
        /** What a count of 1 stands for, such as thousands; null = one. */
        public ?string $countsUnit = null,
        /**
         * How many rows are set aside, each with its reason, which no figure counts.
         *
         * When        where a row is known to be wrong and cannot be put right.
         * Misleads    That a value is far out is no reason. Figures with and without are told side by side on request.
         */
        public int $setAside = 0,
    ) {
        if (preg_match('/^\d{1,2}(\.\d{1,3})?$/D', $innerFence) !== 1 || (float) $innerFence <= 0.0) {
            throw NotUnderstood::notAFence($innerFence);
        }
        if (preg_match('/^0\.\d{1,6}$/D', $level) !== 1 || (float) $level < 0.5 || (float) $level > 0.999) {
            throw NotUnderstood::notALevel($level);
        }
        $this->decimals = $decimals ?? ShownDecimals::more(1);
    }

    /** The multiplier of the inner fences as it stands in words. */
    public function fence(): string
    {
        return NumberMarks::inForce()->written($this->innerFence);
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

    /** A share as decimal text, in percent as it stands in words: 0.575 is 57.5. */
    public static function percentOf(string $share): string
    {
        return NumberMarks::inForce()->written(Exact::plainDecimal(BigDecimal::of($share)->multipliedBy(100)));
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
            . ($this->where === null ? 'all rows' : "rows where {$this->where}") . ($this->setAside === 0 ? '' : ' but ' . NumberMarks::count($this->setAside) . ' set aside') . '; '
            . "missing {$this->missingRows->words()}; fences at {$this->fence()} IQR; class edges {$this->classEdge->words()}; "
            . "{$this->levelPercent()} % intervals; shown {$this->decimals->words()}.";
    }
}
