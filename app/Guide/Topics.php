<?php

declare(strict_types=1);

namespace App\Guide;

use App\Drawing\Pictures;
use App\Store\Words;
use ReflectionClass;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Comparison\ComparedGroups;
use RowTally\Core\Comparison\ComparedPairs;
use RowTally\Core\Comparison\Superiority;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\NormalityFigure;
use RowTally\Core\Figures\Percentile;
use RowTally\Core\Figures\PercentileRank;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Normality\AndersonDarling;
use RowTally\Core\Normality\Lilliefors;
use RowTally\Core\Normality\ShapiroWilk;
use RowTally\Core\Plots\AutomaticClasses;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Readings\Readings;

/** Every page of the guide, written from the docblocks of what it is about: one place says what a figure is, to those who read the code and to those who do not. */
final class Topics
{
    private const TESTS = ['shapiro_wilk' => ShapiroWilk::class, 'lilliefors' => Lilliefors::class, 'anderson_darling' => AndersonDarling::class];

    /** Words of a question, what each is called, and where it is told of: a class, or a part of the basis. */
    private const CONVENTIONS = [
        ['as', 'Sample or population', SampleOrPopulation::class],
        ['quartiles', 'Rule for quartiles and percentiles', QuartileRule::class],
        ['missing', 'Missing values', MissingRows::class],
        ['fences', 'Fences', 'innerFence'],
        ['edges', 'Edges of classes', ClassEdge::class],
        ['level', 'Confidence level', 'level'],
        ['decimals', 'Decimals shown', ShownDecimals::class],
        ['counts', 'Counts', 'counts'],
        ['where', 'A condition on the rows', 'where'],
        ['aside', 'Rows set aside', 'setAside'],
        ['classes', 'Classes of a histogram', AutomaticClasses::class],
        ['scale', 'Height of bars', HeightScale::class],
        ['limits', 'Limits that labels state', StatedLimits::class],
    ];
    private const COMPARISONS = [['compared-groups', 'Two groups against each other', ComparedGroups::class], ['compared-pairs', 'The same rows earlier and later', ComparedPairs::class], ['superiority', 'How often one exceeds the other', Superiority::class]];

    /** @return list<Topic> */
    public static function all(): array
    {
        return [...self::figures(), ...self::conventions(), ...self::pictures(), ...self::readings(), ...self::comparisons()];
    }

    /** @return list<Topic> one for each class of statistics */
    private static function figures(): array
    {
        $byClass = [];
        foreach ([...Catalogue::all(), new Percentile('10')] as $statistic) {
            $class = $statistic instanceof NormalityFigure ? self::TESTS[substr($statistic->key(), 0, (int) strrpos($statistic->key(), '_'))] : $statistic::class;
            $byClass[$class][] = $statistic;
        }
        $topics = [];
        foreach ($byClass as $class => $statistics) {
            $doc = DocText::ofClass($class);
            $isMany = count($statistics) > 1 && !in_array($class, self::TESTS, true);
            $topics[] = self::topic(
                self::keyOf($class),
                TopicKind::Figure,
                match (true) {
                    $class === Percentile::class => 'Percentile',
                    $isMany => (string) preg_replace('/[.:;].*$/su', '', $doc->what),
                    default => $statistics[0]->label(),
                },
                $isMany || $class === Percentile::class ? '' : $statistics[0]->symbol(SampleOrPopulation::Sample),
                $doc,
                of: array_map(static fn(Statistic $statistic): string => $statistic instanceof Percentile ? 'percentile' : $statistic->key(), $statistics),
            );
        }
        $rank = DocText::ofClass(PercentileRank::class);

        return [...$topics, self::topic('percentile-rank', TopicKind::Figure, 'Percentile rank and z-score', 'z', $rank, of: ['standing'])];
    }

    /** @return list<Topic> */
    private static function conventions(): array
    {
        $words = [];
        foreach ([...Words::ofQuestion(), ...Words::ofClasses()] as $word) {
            $words[$word->name] = $word;
        }

        return array_map(static function (array $convention) use ($words): Topic {
            [$name, $title, $place] = $convention;
            $doc = class_exists($place) || enum_exists($place) ? DocText::ofClass($place) : DocText::ofProperty(Basis::class, $place);
            $choices = array_values(array_filter($words[$name]->choices ?? [], static fn(array $choice): bool => $choice['sentence'] !== ''));

            return self::topic("basis-{$name}", TopicKind::Convention, $title, '', $doc, choices: array_map(static fn(array $choice): array => ['words' => $choice['words'], 'sentence' => $choice['sentence']], $choices), of: [$name]);
        }, self::CONVENTIONS);
    }

    /** @return list<Topic> */
    private static function pictures(): array
    {
        return array_map(
            static fn(string $picture): Topic => self::topic("picture-{$picture::kind()}", TopicKind::Picture, $picture::name(), '', DocText::ofClass($picture), of: [$picture::kind()]),
            Pictures::all(),
        );
    }

    /** @return list<Topic> */
    private static function readings(): array
    {
        $topics = [];
        foreach (Readings::rules() as $of => $rules) {
            foreach ($rules as $rule) {
                $doc = DocText::ofClass($rule::class);
                $topics[] = new Topic("said-{$rule->key()}", TopicKind::Reading, rtrim($doc->what, '.'), '', "A sentence about {$of}.", $rule->rule(), null, $doc->field('Misleads'), null, null, ucfirst($rule->source()) . '.', [], [$rule->key()]);
            }
        }

        return $topics;
    }

    /** @return list<Topic> */
    private static function comparisons(): array
    {
        return array_map(static fn(array $one): Topic => self::topic($one[0], TopicKind::Comparison, $one[1], '', DocText::ofClass($one[2])), self::COMPARISONS);
    }

    /**
     * @param list<array{words: string, sentence: string}> $choices
     * @param list<string>                                 $of
     */
    private static function topic(string $key, TopicKind $kind, string $title, string $symbol, DocText $doc, array $choices = [], array $of = []): Topic
    {
        return new Topic($key, $kind, $title, $symbol, $doc->whatOf($title), null, $doc->field('When'), $doc->field('Misleads'), $doc->field('Definition'), $doc->field('Undefined'), $doc->field('Source'), $choices, $of);
    }

    /** @param class-string $class */
    private static function keyOf(string $class): string
    {
        return strtolower((string) preg_replace('/(?<!^)(?=[A-Z])/', '-', (new ReflectionClass($class))->getShortName()));
    }
}
