<?php

declare(strict_types=1);

namespace App\Guide;

/** The guide as files of Markdown: the same text as on the screen. */
final class GuideFiles
{
    private const NOTE = "<!-- Written by `php docs/guide.php` from the docblocks of what it is about. -->\n\n";

    /** @return array<string, string> by name of the file */
    public static function all(): array
    {
        $files = ['tour.md' => self::tour()];
        $index = self::NOTE . "# Guide\n\n[Five steps through the work](tour.md) · [Scripts](scripts.md)\n";
        foreach (TopicKind::cases() as $kind) {
            $name = $kind->value . 's.md';
            $topics = array_values(array_filter(Topics::all(), static fn(Topic $topic): bool => $topic->kind === $kind));
            $files[$name] = self::NOTE . "# {$kind->words()}\n" . implode('', array_map(self::page(...), $topics));
            $index .= "\n## {$kind->words()}\n\n" . implode('', array_map(static fn(Topic $topic): string => "- [{$topic->title}]({$name}#{$topic->key})\n", $topics));
        }

        return ['README.md' => $index, ...$files];
    }

    private static function tour(): string
    {
        $text = self::NOTE . "# Five steps through the work\n\nOn the demo data, *Spring inspection*. On the screen: *Guide*, then *Look around*.\n";
        foreach (Tour::steps() as $i => $step) {
            $text .= "\n## " . ($i + 1) . ". {$step['title']}\n\n{$step['text']}\n";
        }

        return $text;
    }

    private static function page(Topic $topic): string
    {
        $lines = ["\n<a id=\"{$topic->key}\"></a>\n\n## {$topic->title}" . ($topic->symbol === '' ? '' : " {$topic->symbol}"), $topic->what];
        foreach ($topic->parts() as ['label' => $label, 'text' => $text]) {
            $lines[] = "**{$label}.** {$text}";
        }
        if ($topic->choices !== []) {
            $lines[] = implode("\n", array_map(static fn(array $choice): string => "- *{$choice['words']}*: {$choice['sentence']}", $topic->choices));
        }

        return implode("\n\n", $lines) . "\n";
    }
}
