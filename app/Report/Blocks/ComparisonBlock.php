<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Models\Dataset;
use App\Report\Document\Block;
use App\Report\PaperTable;
use App\Report\Record\StatedFigure;
use App\Store\AskedWords;
use App\Store\ComparedSides;
use App\Store\CompareVariables;
use App\Store\SayCompared;
use RowTally\Core\Comparison\ComparisonLine;
use RowTally\Core\Comparison\ComparisonLines;

/** Two or more things side by side with their differences: a table for each against the first. */
final readonly class ComparisonBlock implements MakesBlock
{
    public function __construct(private CompareVariables $compare) {}

    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock
    {
        $question = $asked->compare($dataset);
        $sides = $this->compare->sides($dataset, $question);
        $say = new SayCompared($dataset, $question, $sides);
        $tables = [];
        foreach ($sides->pairs === null ? range(1, count($sides->sides) - 1) : [1] as $place) {
            $tables[] = self::table($sides, $say, $place, $asked->toAddress());
        }

        return new MadeBlock(trim(implode(' ', [...$sides->notes, $question->question->basis->words()])), $tables);
    }

    private static function table(ComparedSides $sides, SayCompared $say, int $place, string $address): PaperTable
    {
        [$first, $one] = $sides->sides[0];
        [$second] = $sides->sides[$place] ?? $sides->sides[0];
        $labels = isset($sides->labels[0], $sides->labels[$place]) ? [$sides->labels[0], $sides->labels[$place]] : null;
        $sections = $sides->pairs === null
            ? ComparisonLines::ofGroups($say->against($place), $say->display($one), $first, $labels)
            : ComparisonLines::ofPairs($sides->pairs, $say->display($sides->pairs->changes));
        $name = $sides->unit === null ? $sides->name : "{$sides->name} ({$sides->unit})";
        $table = new Lines([$name, $first, $second, 'Difference', 'Relative']);
        foreach ($sections as ['lines' => $lines]) {
            foreach ($lines as $line) {
                $table->cell(self::label($line));
                foreach (['first' => $line->first, 'second' => $line->second, 'difference' => $line->difference, 'beside' => $line->beside] as $part => $text) {
                    $table->cell($text ?? '', $text === null || $text === '' ? null : new StatedFigure($address, "comparison.{$line->key}.{$part}", [$first, $second], "{$line->label} of {$name}, " . self::of($part, $first, $second), $part === 'difference' ? $line->value : null, $text));
                }
                $table->end();
            }
        }

        return $table->table();
    }

    private static function label(ComparisonLine $line): string
    {
        return str_starts_with($line->key, 'at_') ? "At {$line->label} of the order" : $line->label;
    }

    private static function of(string $part, string $first, string $second): string
    {
        return match ($part) {
            'first' => $first,
            'second' => $second,
            default => "{$second} against {$first}",
        };
    }
}
