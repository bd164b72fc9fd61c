<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Dataset;
use App\Store\ComparedSides;
use App\Store\CompareQuestion;
use App\Store\SayCompared;
use Illuminate\Http\Request;
use RowTally\Core\Comparison\ComparedPairs;
use RowTally\Core\Comparison\ComparisonFigures;
use RowTally\Core\Comparison\ComparisonLine;
use RowTally\Core\Comparison\ComparisonLines;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Readings\Reading;
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
        ['sides' => $sides] = $this->resource;
        [$first, $one] = $sides->sides[0];
        [$second] = $sides->sides[$place] ?? $sides->sides[0];
        $compared = $this->say()->against($place);
        $labels = isset($sides->labels[0], $sides->labels[$place]) ? [$sides->labels[0], $sides->labels[$place]] : null;

        return [
            'first' => $first,
            'second' => $second,
            'sections' => self::sections(ComparisonLines::ofGroups($compared, $this->say()->display($one), $first, $labels)),
            ...self::figures(ComparisonFigures::ofGroups($compared)),
            'readings' => self::readings($this->say()->readings($place)),
        ];
    }

    /** @return array<string, mixed> */
    private function pairs(ComparedPairs $compared): array
    {
        ['sides' => $sides] = $this->resource;

        return [
            'first' => $sides->sides[0][0],
            'second' => $sides->sides[1][0] ?? '',
            'sections' => self::sections(ComparisonLines::ofPairs($compared, $this->say()->display($compared->changes))),
            ...self::figures(ComparisonFigures::ofPairs($compared)),
            'readings' => self::readings($this->say()->readings(1)),
        ];
    }

    private function say(): SayCompared
    {
        return new SayCompared($this->resource['dataset'], $this->resource['asked'], $this->resource['sides']);
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
