<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Dataset;
use App\Store\ComparedSides;
use App\Store\CompareQuestion;
use Illuminate\Http\Request;
use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Comparison\ComparedPairs;
use RowTally\Core\Comparison\ComparisonFigures;
use RowTally\Core\Comparison\ComparisonLine;
use RowTally\Core\Comparison\ComparisonLines;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Readings\GroupsAgainst;
use RowTally\Core\Readings\PairsAgainst;
use RowTally\Core\Readings\Reading;
use RowTally\Core\Readings\Readings;
use RowTally\Core\Readings\Wording;
use RowTally\Core\Values\Figure;

/** @property array{dataset: Dataset, asked: CompareQuestion, sides: ComparedSides} $resource */
final class ComparedResource extends PlainResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        ['dataset' => $dataset, 'asked' => $asked, 'sides' => $sides] = $this->resource;

        return [
            'revision' => $dataset->revision,
            'basis' => $asked->question->basis->toArray(),
            'what' => $asked->what,
            'name' => $sides->name,
            'unit' => $sides->unit,
            'sides' => array_map(static fn(array $side): array => ['name' => $side[0], 'n' => FigureText::count(Figure::rows($side[1]->n(), $side[1]->countDecimals))], $sides->sides),
            'groups' => $sides->groups,
            'notes' => $sides->notes,
            'comparisons' => $sides->pairs !== null ? [$this->pairs($sides->pairs)] : array_map($this->groups(...), range(1, count($sides->sides) - 1)),
        ];
    }

    /** @return array<string, mixed> one side against the first */
    private function groups(int $place): array
    {
        ['asked' => $asked, 'sides' => $sides] = $this->resource;
        [[$first, $one], [$second, $other]] = [$sides->sides[0], $sides->sides[$place] ?? $sides->sides[0]];
        $compared = new ComparedGroups($one, $other, $asked->question->basis);
        $labels = isset($sides->labels[0], $sides->labels[$place]) ? [$sides->labels[0], $sides->labels[$place]] : null;

        return [
            'first' => $first,
            'second' => $second,
            'sections' => self::sections(ComparisonLines::ofGroups($compared, $this->display($one), $first, $labels)),
            ...self::figures(ComparisonFigures::ofGroups($compared)),
            'readings' => self::readings(Readings::ofComparedGroups(new GroupsAgainst($compared, $first, $second, $this->wording($one), $asked->good, $asked->what === 'groups' || $asked->what === 'datasets'))),
        ];
    }

    /** @return array<string, mixed> */
    private function pairs(ComparedPairs $compared): array
    {
        ['asked' => $asked, 'sides' => $sides] = $this->resource;
        [$first, $second] = [$sides->sides[0][0], $sides->sides[1][0] ?? ''];

        return [
            'first' => $first,
            'second' => $second,
            'sections' => self::sections(ComparisonLines::ofPairs($compared, $this->display($compared->changes))),
            ...self::figures(ComparisonFigures::ofPairs($compared)),
            'readings' => self::readings(Readings::ofComparedPairs(new PairsAgainst($compared, $first, $second, $this->wording($compared->changes), $asked->good))),
        ];
    }

    private function display(Observations $observations): FigureText
    {
        return new FigureText($this->resource['asked']->question->basis, $this->resource['sides']->decimals, $observations->countDecimals);
    }

    private function wording(Observations $observations): Wording
    {
        return new Wording($this->display($observations), $this->resource['sides']->unit, $this->resource['dataset']->rowWord(), $this->resource['asked']->question->basis);
    }

    /**
     * @param list<array{title: string, lines: list<ComparisonLine>}> $sections
     *
     * @return list<array<string, mixed>>
     */
    private static function sections(array $sections): array
    {
        return array_map(static fn(array $section): array => ['title' => $section['title'], 'lines' => array_map(static fn(ComparisonLine $line): array => (array) $line, $section['lines'])], $sections);
    }

    /**
     * @param array{figures: array<string, mixed>, undefined: array<string, string>} $figures
     *
     * @return array<string, mixed>
     */
    private static function figures(array $figures): array
    {
        return ['figures' => $figures['figures'], 'undefined' => (object) $figures['undefined']];
    }

    /**
     * @param list<Reading> $readings
     *
     * @return list<array<string, mixed>>
     */
    private static function readings(array $readings): array
    {
        return array_map(SaidResource::of(...), $readings);
    }
}
