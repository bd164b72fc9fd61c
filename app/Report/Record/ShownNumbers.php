<?php

declare(strict_types=1);

namespace App\Report\Record;

/** The numbers that stand in a text, each as it is written and how often: by them a report is recognised that was changed by hand. */
final class ShownNumbers
{
    /** @return list<array{string, int}> in the order of their signs */
    public static function of(string $text): array
    {
        // A letter before digits makes them a name, such as Q1; what PDFs break in a line is put together.
        preg_match_all('/(?<![\p{L}\p{N}_.])[+−-]?\d+(?:[.,]\d+)*/u', $text, $found);
        $counts = [];
        foreach ($found[0] as $number) {
            $counts["n{$number}"] = ($counts["n{$number}"] ?? 0) + 1;
        }
        ksort($counts, SORT_STRING);
        $listed = [];
        foreach ($counts as $number => $count) {
            $listed[] = [substr($number, 1), $count];
        }

        return $listed;
    }

    /** What somebody reads of a page. */
    public static function textOfHtml(string $html): string
    {
        $shown = (string) preg_replace(['/<(script|style)\b.*?<\/\1>/s', '/<\/?(?:p|td|th|tr|li|h\d|caption|figcaption|text|br|div)\b[^>]*>/'], ' ', $html);

        return html_entity_decode(strip_tags($shown), ENT_QUOTES | ENT_HTML5);
    }

    /**
     * A record with the numbers of the form that it goes along with.
     *
     * @param array<string, mixed>     $record
     * @param list<array{string, int}> $numbers
     */
    public static function record(array $record, string $form, array $numbers, bool $forHtml = false): string
    {
        return json_encode([...$record, 'shown' => ['form' => $form, 'numbers' => $numbers]], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | ($forHtml ? JSON_HEX_TAG | JSON_HEX_AMP : 0));
    }

    /**
     * @param list<array{string, int}> $stated
     * @param list<array{string, int}> $found
     *
     * @return array{missing: list<string>, added: list<string>}
     */
    public static function compared(array $stated, array $found): array
    {
        $difference = [];
        foreach ([[$stated, 1], [$found, -1]] as [$numbers, $sign]) {
            foreach ($numbers as [$number, $count]) {
                $difference["n{$number}"] = ($difference["n{$number}"] ?? 0) + $sign * $count;
            }
        }
        $name = static fn(string $key): string => substr($key, 1);

        return [
            'missing' => array_map($name, array_keys(array_filter($difference, static fn(int $count): bool => $count > 0))),
            'added' => array_map($name, array_keys(array_filter($difference, static fn(int $count): bool => $count < 0))),
        ];
    }
}
