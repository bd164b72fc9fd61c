<?php

declare(strict_types=1);

namespace App\Store;

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

    /** @return list<Word> of the basis and of what is shown */
    public static function ofQuestion(): array
    {
        $basis = new Basis();
        $stack = new StackOptions();
        $scales = [];
        foreach (HeightScale::cases() as $case) {
            $scales[$case->value] = [$case->words(), $case->sentence()];
        }
        $marks = [];
        foreach (Marker::cases() as $case) {
            $marks[$case->value] = $case->words();
        }
        $decimals = [];
        foreach (self::SHOWN as $word) {
            $decimals[$word] = ShownDecimals::ofWord($word)->words();
        }

        return [
            Word::text('of', 'keys of variables, set apart by commas', 6000),
            Word::text('by', 'keys of one or two variables that split the rows; a number by its classes', 200),
            Word::ofCases('as', 'whether the rows are a sample or all there is', SampleOrPopulation::cases(), $basis->takenAs),
            Word::ofCases('quartiles', 'how quartiles are cut', QuartileRule::cases(), $basis->quartileRule),
            Word::ofCases('edges', 'on which side classes are closed', ClassEdge::cases(), $basis->classEdge),
            Word::ofCases('missing', 'which rows a figure uses when some values are missing', MissingRows::cases(), $basis->missingRows),
            Word::text('counts', 'key of the number that says how often each row counts', 80),
            Word::text('where', 'a condition that leaves rows in', 2000),
            Word::text('fences', 'how many interquartile ranges out fences lie; far outliers lie twice as far out', 20, $basis->innerFence, ['1.5' => '1.5', '2' => '2', '3' => '3']),
            Word::text('level', 'confidence level, from 0.5 to 0.999: how often intervals made this way hold the mean', 20, $basis->level, ['0.9' => '90 %', '0.95' => '95 %', '0.99' => '99 %']),
            Word::text('decimals', 'data+1, a number of decimals, or s4 for significant digits', 20, $basis->decimals->word(), $decimals),
            Word::text('figures', 'keys of figures, or of sets of them, set apart by commas', 4000, '', array_combine(array_column(FigureSet::cases(), 'value'), array_column(FigureSet::cases(), 'value'))),
            Word::text('percentiles', 'in percent, such as 5,50,95', 400),
            Word::oneOf('no_entry', 'rows without an entry of what splits them', ['show' => 'have a group', 'hide' => 'have no group']),
            Word::oneOf('order', 'order of frequency tables', ['own' => 'their own order', 'count' => 'the most frequent first']),
            Word::oneOf('distinct', 'whether a table has a row for each value though they are many', ['no' => 'classes where values are many', 'yes' => 'each value']),
            Word::text('classes', 'start:width such as 0:2.5, edges such as 0,5,10,20, or a rule; unequal classes are drawn as density', 4000, '', ['' => 'automatic classes', 'sturges' => 'classes by Sturges', 'scott' => 'classes by Scott', 'freedman-diaconis' => 'classes by Freedman and Diaconis']),
            Word::oneOf('scale', 'what the height of a bar stands for', [$stack->scale->value => $scales[$stack->scale->value], ...$scales]),
            Word::text('marks', 'lines through the stack, set apart by commas; none for none', 200, implode(',', array_column($stack->markers, 'value')), $marks),
            Word::oneOf('curve', 'a normal curve over the bars', ['no' => 'no normal curve', 'yes' => ['a normal curve', 'Of the same mean and standard deviation.']]),
            Word::oneOf('lanes', 'whether the groups share a scale', ['common' => 'a common scale', 'own' => 'scales of their own']),
            Word::text('zoom', 'the part of the axis that the stack covers, such as 10:25.5', 80),
        ];
    }

    /** @return list<Word> of labels that are classes */
    public static function ofClasses(): array
    {
        return [
            Word::ofCases('limits', 'what the limits of classes stand for', StatedLimits::cases(), null),
            Word::text('amend', 'what is known better of classes, such as edge0:5.5,width7:10,middle2:14.2,unit:0.1; places from 0, the lowest', 4000),
            Word::oneOf('cumulative', 'whether the counts of classes add up as they go', ['' => 'asked for where it looks like it', 'yes' => 'they do', 'no' => 'they do not']),
            Word::text('count_columns', 'keys of variables, set apart by commas, each the counts of one group; not together with a split', 2000),
        ];
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
}
