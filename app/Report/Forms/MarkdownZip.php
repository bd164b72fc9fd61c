<?php

declare(strict_types=1);

namespace App\Report\Forms;

use App\Drawing\Faces;
use App\Report\Paper;
use App\Report\PaperBlock;
use App\Report\PaperTable;
use App\Report\Record\ShownNumbers;
use App\Report\Words\WordsAsMarkdown;

/** A report as Markdown with its pictures as SVG and PNG and its tables as CSV beside it. */
final class MarkdownZip
{
    public const REPORT = 'report.md';

    /**
     * @param array<string, string>     $pngs   of the pictures by block
     * @param array<string, mixed>|null $record
     */
    public static function of(Paper $paper, array $pngs, ?array $record, ?string $rows): string
    {
        $text = '# ' . WordsAsMarkdown::escaped($paper->title) . "\n\n" . WordsAsMarkdown::escaped($paper->subtitle) . "\n";
        $files = [];
        foreach ($paper->blocks as $block) {
            $text .= self::block($block);
            array_push($files, ...self::files($block, $pngs));
        }
        if ($paper->method !== []) {
            $text .= "\n## How it was done\n";
            foreach ($paper->method as ['name' => $name, 'lines' => $lines]) {
                $text .= "\n### {$name}\n\n" . implode('', array_map(static fn(array $line): string => '- ' . WordsAsMarkdown::escaped($line['text']) . "\n", $lines));
            }
        }

        return Packed::of([['name' => self::REPORT, 'bytes' => $text], ...$files, ...TablesZip::along($record, 'markdown', ShownNumbers::of($text), $rows)]);
    }

    /**
     * @param array<string, string> $pngs
     *
     * @return list<array{name: string, bytes: string}>
     */
    public static function files(PaperBlock $block, array $pngs): array
    {
        $files = [];
        if ($block->svg !== null) {
            $files[] = ['name' => "pictures/{$block->fileName()}.svg", 'bytes' => Faces::into($block->svg)];
            if (isset($pngs[$block->id])) {
                $files[] = ['name' => "pictures/{$block->fileName()}.png", 'bytes' => $pngs[$block->id]];
            }
        }
        foreach ($block->tables as $i => $table) {
            $files[] = ['name' => self::tableName($block, $i), 'bytes' => TablesZip::csv($table->precise())];
        }

        return $files;
    }

    private static function tableName(PaperBlock $block, int $i): string
    {
        return "tables/{$block->fileName()}" . ($i === 0 ? '' : '-' . ($i + 1)) . '.csv';
    }

    private static function block(PaperBlock $block): string
    {
        if ($block->level > 0) {
            return "\n" . ($block->level === 1 ? '## ' : '### ') . WordsAsMarkdown::escaped($block->title) . "\n";
        }
        $text = $block->number === null && $block->title !== '' ? "\n### " . WordsAsMarkdown::escaped($block->title) . "\n" : '';
        $numbered = $block->number === null ? '' : "**{$block->number}.** " . WordsAsMarkdown::escaped($block->title) . ' ';
        $caption = WordsAsMarkdown::escaped($block->caption);
        if ($block->svg !== null) {
            $text .= "\n![" . WordsAsMarkdown::escaped($block->alternative()) . "](pictures/{$block->fileName()}.svg)\n\n{$numbered}{$caption}\n";
        }
        foreach ($block->tables as $i => $table) {
            $text .= ($i === 0 && $numbered !== '' ? "\n{$numbered}\n" : '') . "\n" . self::table($table);
        }
        foreach ($block->said as $sentence) {
            $text .= "\n> " . WordsAsMarkdown::escaped($sentence) . "\n";
        }
        if ($block->svg === null && $caption !== '' && ($block->tables !== [] || $block->said !== [])) {
            $text .= "\n{$caption}\n";
        }
        if ($block->tables === [] && $block->said === [] && $block->svg === null && $block->words === null && $block->lacks !== []) {
            $text .= "\n{$numbered}" . WordsAsMarkdown::escaped(implode(' ', $block->lacks)) . "\n";
        }

        return $text . ($block->words === null ? '' : "\n{$block->words->markdown}\n");
    }

    private static function table(PaperTable $table): string
    {
        $lines = array_map(static fn(array $row): string => '| ' . implode(' | ', array_map(static fn(string $cell): string => str_replace("\n", ' ', WordsAsMarkdown::escaped($cell)), $row)) . " |\n", $table->cells);
        $rule = '|' . implode('|', array_map(static fn(int $i): string => $i === 0 || $table->isText($i) ? ':--' : '--:', array_keys($table->cells[0] ?? []))) . "|\n";

        return ($lines[0] ?? '') . $rule . implode('', array_slice($lines, 1));
    }
}
