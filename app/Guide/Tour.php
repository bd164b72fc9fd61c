<?php

declare(strict_types=1);

namespace App\Guide;

/** Five steps through the work, on the made-up hives of the Fenmoor beekeepers. */
final class Tour
{
    /** @return list<array{place: string, words: string, title: string, text: string}> place of a dataset and the words of its address */
    public static function steps(): array
    {
        return [
            ['place' => 'rows', 'words' => '', 'title' => 'Make sure of the rows', 'text' => 'A file comes in as a table of rows. Over each column stand its shape, how many values it has, and its ends. Double-click a cell to change it; press a head to say what a column is. Every change can be undone. “Check entries” lists what looks like a slip.'],
            ['place' => 'profile', 'words' => '', 'title' => 'See all variables at a glance', 'text' => 'One line a variable. The sentence at the top says what every number rests on: press an underlined word, such as the rule for quartiles, and all figures follow. Press a name for its sheet.'],
            ['place' => 'profile', 'words' => 'of=honey-yield&by=apiary', 'title' => 'Look at one, by group', 'text' => 'Figures beside pictures on one axis, overall and for each apiary. Press the = beside a figure for how it came about, step by step; point at the axis to read off any place. What the figures say stands in sentences, each with its rule.'],
            ['place' => 'compare', 'words' => 'what=groups&of=honey-yield&by=apiary', 'title' => 'Put two against each other', 'text' => 'Differences are always the second less the first, said in words, with an interval. A difference that could be chance says so; no sentence claims a cause.'],
            ['place' => 'report', 'words' => '', 'title' => 'Say it, and hand it over', 'text' => '“Keep” puts any table, picture or sentence into a report. It keeps the question and not the number, so that it follows the data. What you hand over can be checked by anybody, figure by figure.'],
        ];
    }
}
