<?php

declare(strict_types=1);

namespace App\Report;

use App\Drawing\Faces;

/** A report as Markdown with its pictures as SVG and its tables as CSV beside it. */
final class MarkdownZip
{
    /** @param array<int, string> $pngs of the pictures by block */
    public static function of(Paper $paper, array $pngs): string
    {
        $text = '# ' . self::escaped($paper->title) . "\n\n" . self::escaped($paper->subtitle) . "\n";
        $files = [];
        foreach ($paper->blocks as $place => $block) {
            $text .= "\n## " . self::escaped($block->title) . "\n\n";
            $number = $block->number ?? '';
            if ($block->svg !== null) {
                $name = 'pictures/' . strtolower(str_replace(' ', '-', $number)) . '.svg';
                $files[] = ['name' => $name, 'bytes' => Faces::into($block->svg)];
                if (isset($pngs[$place])) {
                    $files[] = ['name' => substr($name, 0, -3) . 'png', 'bytes' => $pngs[$place]];
                }
                $text .= '![' . self::escaped($block->alternative()) . "]({$name})\n\n*{$number}.* " . self::escaped($block->caption) . "\n";
            } elseif ($block->cells !== null) {
                $name = 'tables/' . ($number === '' ? 'set-aside' : strtolower(str_replace(' ', '-', $number))) . '.csv';
                $files[] = ['name' => $name, 'bytes' => TablesZip::csv($block->cells)];
                $text .= self::table($block) . "\n" . ($number === '' ? '' : "*{$number}.* ") . self::escaped($block->caption) . "\n";
            } elseif ($block->sentence !== null) {
                $text .= '> ' . self::escaped($block->sentence) . "\n\n" . self::escaped($block->caption) . "\n";
            }
            foreach ($block->paragraphs() as $paragraph) {
                $text .= "\n" . str_replace("\n", "  \n", self::escaped($paragraph)) . "\n";
            }
        }
        $text .= "\n## How it was done\n";
        foreach ($paper->method as ['name' => $name, 'lines' => $lines]) {
            $text .= "\n### {$name}\n\n" . implode('', array_map(static fn(string $line): string => '- ' . self::escaped($line) . "\n", $lines));
        }

        return Packed::of([['name' => 'report.md', 'bytes' => $text], ...$files]);
    }

    private static function table(PaperBlock $block): string
    {
        $cells = $block->cells ?? [];
        $lines = array_map(static fn(array $row): string => '| ' . implode(' | ', array_map(self::escaped(...), $row)) . " |\n", $cells);
        $rule = '|' . implode('|', array_map(static fn(int $i): string => $i === 0 || $block->isText($i) ? ':--' : '--:', array_keys($cells[0] ?? []))) . "|\n";

        return ($lines[0] ?? '') . $rule . implode('', array_slice($lines, 1));
    }

    /** Whatever Markdown would take for itself stands as it is typed. */
    private static function escaped(string $text): string
    {
        return (string) preg_replace(['/[\\\\`*_{}\[\]<>#|~&]/u', '/^(\s*)([-+]|\d+[.)])(?=\s)/um'], ['\\\\$0', '$1\\\\$2'], $text);
    }
}
