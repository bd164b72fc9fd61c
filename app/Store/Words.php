<?php

declare(strict_types=1);

namespace App\Store;

use Closure;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Figures\FigureSet;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Plots\Marker;
use RowTally\Core\Plots\StackOptions;

/**
 * Every word of a question, in one place: what requests are held to, what the page and the command line offer, and what the contract says.
 * One more is a line here, and a use of it in `QuestionOfWords`.
 */
final class Words
{
    private const SHOWN = ['data+0', 'data+1', 'data+2', '0', '1', '2', '3', '4', '6', 's3', 's4', 's6'];

    /**
     * @param list<string>|null $named only these; null = all
     *
     * @return list<Word> of the basis and of what is shown
     */
    public static function ofQuestion(?array $named = null): array
    {
        return self::made([
            'of' => static fn(string $name): Word => Word::text($name, 'keys of variables, set apart by commas', 6000),
            'by' => static fn(string $name): Word => Word::text($name, 'keys of one or two variables that split the rows; a number by its classes', 200),
            'as' => static fn(string $name): Word => Word::ofCases($name, 'whether the rows are a sample or all there is', SampleOrPopulation::cases(), (new Basis())->takenAs),
            'quartiles' => static fn(string $name): Word => Word::ofCases($name, 'how quartiles are cut', QuartileRule::cases(), (new Basis())->quartileRule),
            'edges' => static fn(string $name): Word => Word::ofCases($name, 'on which side classes are closed', ClassEdge::cases(), (new Basis())->classEdge),
            'missing' => static fn(string $name): Word => Word::ofCases($name, 'which rows a figure uses when some values are missing', MissingRows::cases(), (new Basis())->missingRows),
            'counts' => static fn(string $name): Word => Word::text($name, 'key of the number that says how often each row counts', 80),
            'where' => static fn(string $name): Word => Word::text($name, 'a condition that leaves rows in', 2000),
            'fences' => static fn(string $name): Word => Word::text($name, 'how many interquartile ranges out fences lie; far outliers lie twice as far out', 20, (new Basis())->innerFence, ['1.5' => '1.5', '2' => '2', '3' => '3']),
            'level' => static fn(string $name): Word => Word::text($name, 'confidence level, from 0.5 to 0.999: how often intervals made this way hold the mean', 20, (new Basis())->level, ['0.9' => '90 %', '0.95' => '95 %', '0.99' => '99 %']),
            'decimals' => static fn(string $name): Word => Word::text($name, 'data+1, a number of decimals, or s4 for significant digits', 20, (new Basis())->decimals->word(), self::decimals()),
            'figures' => static fn(string $name): Word => Word::text($name, 'keys of figures, or of sets of them, set apart by commas', 4000, '', array_combine(array_column(FigureSet::cases(), 'value'), array_column(FigureSet::cases(), 'value'))),
            'percentiles' => static fn(string $name): Word => Word::text($name, 'in percent, such as 5,50,95', 400),
            'no_entry' => static fn(string $name): Word => Word::oneOf($name, 'rows without an entry of what splits them', ['show' => 'have a group', 'hide' => 'have no group']),
            'order' => static fn(string $name): Word => Word::oneOf($name, 'order of frequency tables', ['own' => 'their own order', 'count' => 'the most frequent first']),
            'distinct' => static fn(string $name): Word => Word::oneOf($name, 'whether a table has a row for each value though they are many', ['no' => 'classes where values are many', 'yes' => 'each value']),
            'classes' => static fn(string $name): Word => Word::text($name, 'start:width such as 0:2.5, edges such as 0,5,10,20, or a rule; unequal classes are drawn as density', 4000, '', ['' => 'automatic classes', 'sturges' => 'classes by Sturges', 'scott' => 'classes by Scott', 'freedman-diaconis' => 'classes by Freedman and Diaconis']),
            'scale' => static fn(string $name): Word => Word::oneOf($name, 'what the height of a bar stands for', self::scales()),
            'marks' => static fn(string $name): Word => Word::text($name, 'lines through the stack, set apart by commas; none for none', 200, implode(',', array_column((new StackOptions())->markers, 'value')), self::marks()),
            'curve' => static fn(string $name): Word => Word::oneOf($name, 'a normal curve over the bars', ['no' => 'no normal curve', 'yes' => ['a normal curve', 'Of the same mean and standard deviation.']]),
            'lanes' => static fn(string $name): Word => Word::oneOf($name, 'whether the groups share a scale', ['common' => 'a common scale', 'own' => 'scales of their own']),
            'zoom' => static fn(string $name): Word => Word::text($name, 'the part of the axis that the stack covers, such as 10:25.5', 80),
        ], $named);
    }

    /**
     * @param list<string>|null $named only these; null = all
     *
     * @return list<Word> of labels that are classes
     */
    public static function ofClasses(?array $named = null): array
    {
        return self::made([
            'limits' => static fn(string $name): Word => Word::ofCases($name, 'what the limits of classes stand for', StatedLimits::cases(), null),
            'amend' => static fn(string $name): Word => Word::text($name, 'what is known better of classes, such as edge0:5.5,width7:10,middle2:14.2,unit:0.1; places from 0, the lowest', 4000),
            'cumulative' => static fn(string $name): Word => Word::oneOf($name, 'whether the counts of classes add up as they go', ['' => 'asked for where it looks like it', 'yes' => 'they do', 'no' => 'they do not']),
            'count_columns' => static fn(string $name): Word => Word::text($name, 'keys of variables, set apart by commas, each the counts of one group; not together with a split', 2000),
        ], $named);
    }

    /** @return list<Word> of a comparison */
    public static function ofCompare(): array
    {
        return [
            Word::oneOf('what', 'what is compared', [
                '' => 'nothing',
                'groups' => ['groups', 'Of one variable.'],
                'variables' => ['variables', 'One beside another.'],
                'pairs' => ['the same rows', 'Earlier and later.'],
                'datasets' => ['two datasets', 'The same variable of both.'],
            ]),
            Word::text('groups', 'names of groups as a list in JSON, the one that the others are compared with first', 8000),
            Word::oneOf('good', 'which direction is the good one', ['' => 'neither', 'more' => 'more is better', 'fewer' => 'fewer is better']),
            Word::text('other', 'number of the other dataset', 18),
            Word::text('other_of', 'key of the variable of the other dataset; the one of the same key or name unless said', 80),
            Word::text('factor', 'what values of the other dataset are multiplied by, where its unit is another', 40),
            Word::oneOf('turned', 'whether the first stands for the second', ['' => 'as they are', 'yes' => 'the other way round']),
        ];
    }

    /** @return list<Word> of the page alone: which pictures are open, and how groups stand in them */
    public static function ofPage(): array
    {
        return [
            Word::text('plots', 'pictures that are open beside the stack', 200),
            Word::oneOf('arrange', 'how groups are drawn', ['lanes' => 'in lanes', 'outlines' => 'over one another']),
            Word::text('lane_order', 'key of the figure that groups are ordered by, the largest first', 80),
        ];
    }

    /** @return list<Word> */
    public static function all(): array
    {
        return [...self::ofQuestion(), ...self::ofClasses(), ...self::ofPage()];
    }

    public static function named(string $name): Word
    {
        foreach (self::all() as $word) {
            if ($word->name === $name) {
                return $word;
            }
        }
        throw UnknownVariable::named($name);
    }

    /**
     * @param array<string, Closure(string): Word> $makers
     * @param list<string>|null                    $named
     *
     * @return list<Word>
     */
    private static function made(array $makers, ?array $named): array
    {
        $words = [];
        foreach ($named === null ? $makers : array_intersect_key($makers, array_flip($named)) as $name => $make) {
            $words[] = $make($name);
        }

        return $words;
    }

    /** @return non-empty-array<string, array{string, string}> the usual one first */
    private static function scales(): array
    {
        $usual = (new StackOptions())->scale;
        $scales = [$usual->value => [$usual->words(), $usual->sentence()]];
        foreach (HeightScale::cases() as $case) {
            $scales[$case->value] = [$case->words(), $case->sentence()];
        }

        return $scales;
    }

    /** @return array<string, string> */
    private static function marks(): array
    {
        return array_combine(array_column(Marker::cases(), 'value'), array_map(static fn(Marker $marker): string => $marker->words(), Marker::cases()));
    }

    /** @return array<array-key, string> */
    private static function decimals(): array
    {
        return array_combine(self::SHOWN, array_map(static fn(string $word): string => ShownDecimals::ofWord($word)->words(), self::SHOWN));
    }
}
