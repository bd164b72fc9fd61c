<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use BackedEnum;
use Closure;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureSet;
use RowTally\Core\Figures\PercentList;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Plots\Marker;
use RowTally\Core\Plots\StackOptions;

/** A question in words, which `Words` lists, whether a request says them or an address that was kept. */
final class QuestionOfWords
{
    private const MOST_VARIABLES = 60;
    private const MOST_SPLITS = 2;
    private const MOST_PERCENTILES = 50;

    /**
     * @param Closure(string): (string|null) $word   what is said of each; null = the default
     * @param list<string>|null              $chosen figures where none are said; null = the essentials
     */
    public static function of(Dataset $dataset, Closure $word, ?array $chosen = null): Question
    {
        $defaults = new Basis();
        $counts = $word('counts');
        $counting = $counts === null ? null : $dataset->variables->firstWhere('key', $counts) ?? throw UnknownVariable::named($counts);
        $decimals = $word('decimals');
        $figures = self::list($word('figures') ?? '');

        return new Question(
            self::list($word('of') ?? ''),
            self::list($word('by') ?? ''),
            new Basis(
                self::case($word('as'), SampleOrPopulation::class) ?? $defaults->takenAs,
                self::case($word('quartiles'), QuartileRule::class) ?? $defaults->quartileRule,
                self::case($word('edges'), ClassEdge::class) ?? $defaults->classEdge,
                $word('fences') ?? $defaults->innerFence,
                $word('level') ?? $defaults->level,
                self::case($word('missing'), MissingRows::class) ?? $defaults->missingRows,
                $decimals === null ? null : ShownDecimals::ofWord($decimals),
                $counting?->name,
                $word('where'),
                $counting?->unit,
                $dataset->set_aside,
            ),
            Catalogue::chosen([
                ...($figures === []
                    ? $chosen ?? FigureSet::Essentials->keys()
                    : array_merge(...array_map(static fn(string $figure): array => FigureSet::tryFrom($figure)?->keys() ?? [$figure], $figures))),
                ...array_map(Catalogue::percentileKey(...), array_slice(PercentList::of($word('percentiles') ?? ''), 0, self::MOST_PERCENTILES)),
            ]),
            $counts,
            $word('no_entry') !== 'hide',
            $word('order') === 'count',
            $word('distinct') === 'yes',
            new StackOptions(
                ClassChoice::ofWord($word('classes') ?? ''),
                self::case($word('scale'), HeightScale::class) ?? HeightScale::Count,
                self::markers($word('marks')),
                $word('curve') === 'yes',
                $word('lanes') === 'own',
                StackOptions::zoomOfWord($word('zoom') ?? ''),
            ),
        );
    }

    /** @return list<string> words that commas set apart */
    public static function list(string $words): array
    {
        return array_values(array_unique(array_filter(explode(',', $words), static fn(string $word): bool => $word !== '')));
    }

    /** @return string|null why what a word lists is too much at once */
    public static function tooMany(string $word, string $listed): ?string
    {
        $count = count(self::list($listed));

        return match (true) {
            $word === 'of' && $count > self::MOST_VARIABLES => 'At most ' . self::MOST_VARIABLES . ' variables can be shown at once. Untick some.',
            $word === 'by' && $count > self::MOST_SPLITS => 'Rows can be split by one or two variables.',
            default => null,
        };
    }

    /** @return list<Marker> */
    private static function markers(?string $word): array
    {
        return $word === null
            ? (new StackOptions())->markers
            : array_values(array_filter(array_map(Marker::tryFrom(...), self::list($word)), static fn(?Marker $marker): bool => $marker !== null));
    }

    /**
     * @template Enum of BackedEnum
     *
     * @param class-string<Enum> $enum
     *
     * @return Enum|null
     */
    private static function case(?string $word, string $enum): ?BackedEnum
    {
        return $word === null ? null : $enum::tryFrom($word);
    }
}
