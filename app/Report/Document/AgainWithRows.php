<?php

declare(strict_types=1);

namespace App\Report\Document;

use App\Models\Dataset;
use App\Models\Report;
use App\Models\Variable;
use App\Report\MakePaper;
use App\Report\Record\SeenFigures;
use App\Report\Record\StatedFigure;
use App\Report\Words\FigureField;
use App\Report\Words\OwnWords;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Marks\NumberMarks;

/** The same report of another dataset: the same blocks and words, whose figures are those of the other rows, put against those of the first. */
final readonly class AgainWithRows
{
    public function __construct(private EditReport $editReport, private MakePaper $makePaper) {}

    /**
     * @param array<array-key, string> $names key here => key there, of those that have another name
     *
     * @return Report|list<array{key: string, name: string}> the variables that have no namesake there, where there are any
     */
    public function of(Report $report, Dataset $dataset, Dataset $other, array $names): Report|array
    {
        $document = ReportDocument::ofJson($report->document);
        $keys = $unmatched = [];
        foreach ($this->used($document) as $key) {
            $own = $dataset->variables->firstWhere('key', $key);
            $there = $other->variables->firstWhere('key', $names[$key] ?? '')
                ?? $other->variables->first(static fn(Variable $variable): bool => $own !== null && $variable->name === $own->name && $variable->type === $own->type);
            if ($there instanceof Variable) {
                $keys[] = [$key, $own->name ?? $key, $there];
            } else {
                $unmatched[] = ['key' => $key, 'name' => $own->name ?? $key];
            }
        }
        if ($unmatched !== []) {
            return $unmatched;
        }
        $renamed = self::renamed($document, $keys, $other);
        $made = $this->editReport->create($other, $renamed);
        $figures = [];
        foreach ($document->blocks as $block) {
            $figures[$block->id] = array_map(
                static fn(StatedFigure $figure): StatedFigure => new StatedFigure(self::address($figure->address, $keys), $figure->figure, $figure->group, $figure->name, $figure->value, $figure->text),
                (new NumberMarks())->during(fn(): array => $this->makePaper->block($dataset, $document, $block)->stated()),
            );
        }
        SeenFigures::putAgainst($made, $figures);

        return $made->refresh();
    }

    /** @return list<string> keys of the variables that its blocks and words name */
    private function used(ReportDocument $document): array
    {
        $keys = [];
        foreach ($document->blocks as $block) {
            foreach ([$block->address, ...array_map(static fn(FigureField $field): string => $field->address, $block->words->fields())] as $address) {
                parse_str($address, $said);
                foreach (['of', 'by', 'counts', 'count_columns', 'other_of'] as $word) {
                    array_push($keys, ...(is_string($said[$word] ?? null) ? explode(',', $said[$word]) : []));
                }
            }
            parse_str(str_replace([':', ','], ['=', '&'], $block->look), $look);
            array_push($keys, ...(is_string($look['to'] ?? null) ? [$look['to']] : []));
        }

        return array_values(array_unique(array_filter($keys, static fn(string $key): bool => $key !== '')));
    }

    /** @param list<array{string, string, Variable}> $keys */
    private static function renamed(ReportDocument $document, array $keys, Dataset $other): ReportDocument
    {
        $blocks = [];
        foreach ($document->toArray()['blocks'] as $words) {
            $words['address'] = self::address(is_string($words['address'] ?? null) ? $words['address'] : '', $keys);
            if (isset($words['words'])) {
                $words['words'] = self::node($words['words'], $keys);
            }
            foreach ($keys as [$from, , $to]) {
                if (($words['look'] ?? '') === "to:{$from}") {
                    $words['look'] = "to:{$to->key}";
                }
            }
            $block = Block::ofArray($words);
            if ($block instanceof Block && $block->kind !== BlockKind::Held) {
                $blocks[] = $block;
            }
        }

        return ReportDocument::titled($document->title === $other->title ? $document->title : "{$document->title} · {$other->title}", $blocks);
    }

    /** @param list<array{string, string, Variable}> $keys */
    private static function node(mixed $node, array $keys): mixed
    {
        if (!is_array($node)) {
            return $node;
        }
        if (($node['type'] ?? null) === OwnWords::FIELD && is_array($node['attrs'] ?? null) && is_string($node['attrs']['address'] ?? null)) {
            $node['attrs']['address'] = self::address($node['attrs']['address'], $keys);
        }
        if (is_array($node['content'] ?? null)) {
            $node['content'] = array_map(static fn(mixed $child): mixed => self::node($child, $keys), $node['content']);
        }

        return $node;
    }

    /**
     * Keys, and the names in conditions, as they are there.
     *
     * @param list<array{string, string, Variable}> $keys
     */
    private static function address(string $address, array $keys): string
    {
        parse_str($address, $said);
        $words = [];
        foreach ($said as $word => $text) {
            if (!is_string($text)) {
                continue;
            }
            if (in_array($word, ['of', 'by', 'counts', 'count_columns', 'other_of'], true)) {
                $text = implode(',', array_map(static function (string $key) use ($keys): string {
                    foreach ($keys as [$from, , $to]) {
                        if ($from === $key) {
                            return $to->key;
                        }
                    }

                    return $key;
                }, explode(',', $text)));
            } elseif ($word === 'where') {
                foreach ($keys as [, $name, $to]) {
                    $text = $name === $to->name ? $text : str_replace([Condition::name($name), "\"{$name}\""], Condition::name($to->name), $text);
                }
            }
            $words[$word] = $text;
        }

        return http_build_query($words);
    }
}
