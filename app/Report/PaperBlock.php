<?php

declare(strict_types=1);

namespace App\Report;

use App\Drawing\Palette;

/** One block of a report as it is handed over: everything in it is text by now. */
final readonly class PaperBlock
{
    /** A sign and digits, a point and digits behind it, a percent sign. */
    private const NUMBER = '/^([+−-]?\d[\d,]*)(\.\d+)?( ?%)?$/u';

    /**
     * @param string|null                                             $number  such as "Figure 2", "Table 1"; null where it is neither
     * @param string|null                                             $svg     of a picture
     * @param list<list<string>>|null                                 $cells   of a table, its first row the head
     * @param list<list<array{text: string, field: ShownField|null}>> $words   somebody's own, by paragraph
     * @param string                                                  $caption what it rests on; '' = nothing
     */
    public function __construct(
        public string $title,
        public ?string $number,
        public ?string $svg = null,
        public ?array $cells = null,
        public array $words = [],
        public string $caption = '',
        /** A sentence that a rule said, and somebody may have edited. */
        public ?string $sentence = null,
    ) {}

    /** @return list<string> its own words as text, a paragraph each */
    public function paragraphs(): array
    {
        return array_map(static fn(array $pieces): string => implode('', array_column($pieces, 'text')), $this->words);
    }

    /**
     * A paragraph of its own words, each figure with its value and its name.
     *
     * @param list<array{text: string, field: ShownField|null}> $pieces
     */
    public function html(array $pieces): string
    {
        return implode('', array_map(static function (array $piece): string {
            ['text' => $text, 'field' => $field] = $piece;
            $shown = nl2br(e($text), false);

            return match (true) {
                $field === null => $shown,
                $field->why !== null => "<em class=\"lacks\">{$shown}</em>",
                default => '<data value="' . (is_array($field->value) ? '' : e((string) $field->value)) . '" title="' . e($field->name) . "\">{$shown}</data>",
            };
        }, $pieces));
    }

    /**
     * A cell of its table: points stand below one another, and signs with a bar or a tilde over them are set in a face that has both as one.
     */
    public function cell(string $text, int $column): string
    {
        $shown = (string) preg_replace('/x[\x{0304}\x{0303}]/u', '<span class="sign">$0</span>', e($text));
        $most = $this->decimals($column);
        if ($most === 0 || preg_match(self::NUMBER, $text, $parts) !== 1) {
            return $shown;
        }

        return e($parts[1]) . "<span class=\"d{$most}\">" . e($parts[2] ?? '') . '</span>' . e($parts[3] ?? '');
    }

    /** The most decimals that a number of a column has, up to 9; 0 where all have as many. */
    private function decimals(int $column): int
    {
        $found = [];
        foreach (array_slice($this->cells ?? [], 1) as $row) {
            if ($column > 0 && preg_match(self::NUMBER, $row[$column] ?? '', $parts) === 1) {
                $found[] = max(0, strlen($parts[2] ?? '') - 1);
            }
        }

        return $found === [] || min($found) === max($found) ? 0 : min(9, max($found));
    }

    /** Whether a column of its table is of words and stands on the left: one in which some cell below the head is no number. */
    public function isText(int $column): bool
    {
        foreach (array_slice($this->cells ?? [], 1) as $row) {
            $cell = $row[$column] ?? '';
            if ($cell !== '' && preg_match('/^[+−-]?[\d.,×⁰¹²³⁴⁵⁶⁷⁸⁹⁻ ]+ ?%?$/u', $cell) !== 1) {
                return true;
            }
        }

        return false;
    }

    /** What a picture is called that cannot be seen. */
    public function alternative(): string
    {
        return preg_match('/ aria-label="([^"]*)"/', $this->svg ?? '', $named) === 1 ? html_entity_decode($named[1], ENT_QUOTES | ENT_XML1) : $this->title;
    }

    /** The picture, so that it can stand beside others in one document, on white. */
    public function inlineSvg(int $place): string
    {
        return (string) preg_replace(
            // What draws PDFs reads no short form of a font, and would paint the rim of a letter over it.
            ['/\bid="clip(\d+)"/', '/url\(#clip(\d+)\)/', '/\bfont:12px ([^}]+)\}/', '/\.halo\{[^}]*\}/'],
            ["id=\"b{$place}-clip\$1\"", "url(#b{$place}-clip\$1)", 'font-size:12px;font-family:$1}', ''],
            str_replace(Palette::named('light')->ink('paper'), '#ffffff', $this->svg ?? ''),
        );
    }
}
