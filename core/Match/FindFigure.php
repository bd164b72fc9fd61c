<?php

declare(strict_types=1);

namespace RowTally\Core\Match;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/**
 * Which figure, under which conventions, rounds to a number that somebody was given.
 *
 * Searched  every figure with one convention changed that it depends on, and as others reckon it (`OtherReckonings`); percentiles, and percents taken as fractions; the figures that
 *           people hand on, after the slips that people make: counts used or forgotten, missing values kept as 0, midpoints of
 *           classes instead of values, one row left out, the sign turned, inputs rounded first.
 * Order     plainest first: as on screen, then one convention changed, then a slip; equal ones in the order of the catalogue.
 * Cost      some 400 figures from values in order; O(distinct) for each slip. Under a second for 100,000 rows.
 */
final class FindFigure
{
    public const MOST = 12;
    private const NEAREST = 5;
    /** A slip costs more than any convention. */
    public const SLIP = 100;

    /**
     * @param array<string, Observations> $otherCounts the same values under other counts than those in force, by what was done:
     *                                                 "counts forgotten", "counts from Jars"
     *
     * @return array{matches: list<Explanation>, nearest: list<Explanation>} the nearest only where nothing matches
     */
    public static function of(Stated $stated, Observations $observations, Basis $basis, array $otherCounts = []): array
    {
        $search = new Search($stated, $observations, $basis);
        $candidates = [];
        if ($observations->n() > 0) {
            $candidates = [...(new OtherConventions($search))->all(), ...(new Slips($search))->all($otherCounts)];
        }
        $matches = array_values(array_filter($candidates, static fn(Explanation $candidate): bool => $stated->isRounded($candidate->value)));
        usort($matches, static fn(Explanation $a, Explanation $b): int => $a->cost <=> $b->cost);
        $matches = self::onceEach($matches);
        if ($matches !== []) {
            return ['matches' => array_slice($matches, 0, self::MOST), 'nearest' => []];
        }
        usort($candidates, static fn(Explanation $a, Explanation $b): int => [$stated->distance($a->value), $a->cost] <=> [$stated->distance($b->value), $b->cost]);

        return ['matches' => [], 'nearest' => array_slice(self::onceEach($candidates, false), 0, self::NEAREST)];
    }

    /**
     * The same of a text that may be read in two ways: all of them are tried.
     *
     * @param array<string, Observations> $otherCounts
     *
     * @return array{read: string|null, matches: list<Explanation>, nearest: list<Explanation>} read: how, where that is not plain
     *
     * @throws NotUnderstood when it is no number
     */
    public static function ofText(string $text, Observations $observations, Basis $basis, array $otherCounts = []): array
    {
        $readings = Stated::readings($text);
        $found = array_map(static fn(Stated $stated): array => self::of($stated, $observations, $basis, $otherCounts), $readings);
        $matches = array_merge(...array_column($found, 'matches'));
        usort($matches, static fn(Explanation $a, Explanation $b): int => $a->cost <=> $b->cost);

        return [
            'read' => Stated::inWords($text, $readings),
            'matches' => array_slice($matches, 0, self::MOST),
            'nearest' => $matches === [] ? array_slice(array_merge(...array_column($found, 'nearest')), 0, self::NEAREST) : [],
        ];
    }

    /**
     * A figure that several rules agree on, or several values to leave out, need not be told more than once.
     *
     * @param list<Explanation> $explanations plainest first
     * @param bool              $perValue     whether the same figure with another value is another explanation
     *
     * @return list<Explanation>
     */
    private static function onceEach(array $explanations, bool $perValue = true): array
    {
        $seen = [];

        return array_values(array_filter($explanations, static function (Explanation $explanation) use (&$seen, $perValue): bool {
            $key = $explanation->statistic->key() . ($perValue ? ' ' . Exact::shortestText($explanation->value) : '');
            $isNew = !isset($seen[$key]);
            $seen[$key] = true;

            return $isNew;
        }));
    }
}
