<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Readings\GroupsAgainst;
use RowTally\Core\Readings\PairsAgainst;
use RowTally\Core\Readings\Reading;
use RowTally\Core\Readings\Readings;
use RowTally\Core\Readings\Wording;

/** What a comparison says, and how its numbers are shown. */
final readonly class SayCompared
{
    public function __construct(private Dataset $dataset, private CompareQuestion $asked, private ComparedSides $sides) {}

    public function display(Observations $observations): FigureText
    {
        return new FigureText($this->asked->question->basis, $this->sides->decimals, $observations->countDecimals);
    }

    /** One side against the first. */
    public function against(int $place): ComparedGroups
    {
        return new ComparedGroups($this->sides->sides[0][1], ($this->sides->sides[$place] ?? $this->sides->sides[0])[1], $this->asked->question->basis);
    }

    /** @return list<Reading> of one side against the first, or of the pairs */
    public function readings(int $place): array
    {
        [$first, $one] = $this->sides->sides[0];
        [$second] = $this->sides->sides[$place] ?? $this->sides->sides[0];
        $pairs = $this->sides->pairs;

        return $pairs !== null
            ? Readings::ofComparedPairs(new PairsAgainst($pairs, $first, $second, $this->wording($pairs->changes), $this->asked->good))
            : Readings::ofComparedGroups(new GroupsAgainst($this->against($place), $first, $second, $this->wording($one), $this->asked->good, $this->asked->what === 'groups' || $this->asked->what === 'datasets'));
    }

    private function wording(Observations $observations): Wording
    {
        return new Wording($this->display($observations), $this->sides->unit, $this->dataset->rowWord(), $this->asked->question->basis);
    }
}
