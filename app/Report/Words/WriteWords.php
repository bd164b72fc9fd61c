<?php

declare(strict_types=1);

namespace App\Report\Words;

use App\Models\Dataset;
use App\Report\Record\StatedFigure;
use Closure;

/** Reads the figures that stand in somebody's own words by now, and writes the words out. */
final readonly class WriteWords
{
    public function __construct(private ReadFields $readFields) {}

    /** @param Closure(string): (string|null) $numberOf what a block is called, such as "Table 2"; null where it is gone */
    public function of(Dataset $dataset, OwnWords $words, Closure $numberOf): ?WrittenWords
    {
        if ($words->isEmpty()) {
            return null;
        }
        $fields = $words->fields();
        $shown = $this->readFields->of($dataset, $fields);
        $stated = $lacks = [];
        foreach ($shown as $i => $one) {
            if ($one->text === null) {
                $lacks[] = "no {$one->name}: {$one->why}";
            } else {
                $stated[] = new StatedFigure($fields[$i]->address, $fields[$i]->figure, $fields[$i]->group, $one->name, $one->value, $one->text);
            }
        }
        $html = new WordsAsHtml($shown, $numberOf);
        $markdown = new WordsAsMarkdown($shown, $numberOf);
        [$asHtml, $asMarkdown] = [$html->of($words), $markdown->of($words)];

        return new WrittenWords($asHtml, $asMarkdown, $stated, [...$lacks, ...($html->isMissingBlock ? ['a reference to a block that is gone'] : [])]);
    }
}
