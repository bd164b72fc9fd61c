<?php

declare(strict_types=1);

namespace App\Report;

use App\Drawing\Faces;
use Illuminate\Contracts\View\Factory;

/**
 * A report as a file. PDF is made by WeasyPrint and word processors' files by pandoc, of the same page; when one of them is missing or fails
 * a sentence says so, and the other forms still work.
 */
final readonly class HandOver
{
    private const SIZES = ['a4' => 'A4', 'letter' => 'letter'];
    private const DOTS_AN_INCH = 192;
    private const WORDS = 'The file for word processors';

    public function __construct(private Factory $views) {}

    /**
     * @param 'a4'|'letter' $size
     *
     * @throws CannotHandOver
     */
    public function as(Form $form, Paper $paper, string $size = 'a4'): string
    {
        return match ($form) {
            Form::Page => $this->page($paper, $size),
            Form::Pdf => self::pdf($this->page($paper, $size), ['--pdf-variant', 'pdf/ua-1']),
            Form::Docx, Form::Odt => $this->throughPandoc($form, $paper, $size),
            Form::Markdown => MarkdownZip::of($paper, self::asPng($paper)),
            Form::Tables => TablesZip::of($paper),
        };
    }

    /** @param array<int, string>|null $files of the pictures by block, for what shows no SVG */
    private function page(Paper $paper, string $size, ?array $files = null): string
    {
        return $this->views->make('report.paper', [
            'paper' => $paper,
            'files' => $files,
            'faces' => $files === null ? Faces::rules() : '',
            'style' => (string) file_get_contents(resource_path('views/report/paper.css')),
            'size' => self::SIZES[$size] ?? 'A4',
            // A string of CSS, which a title must not end.
            'running' => '"' . (string) preg_replace_callback('/[^\p{L}\p{N} .,]/u', static fn(array $sign): string => sprintf('\\%06x', mb_ord($sign[0])), mb_strimwidth($paper->title, 0, 90, '…')) . '"',
        ])->render();
    }

    /** @param list<string> $options */
    private static function pdf(string $page, array $options): string
    {
        return Tool::run(['weasyprint', '--encoding', 'utf-8', '--base-url', 'about:blank', ...$options, '-', '-'], $page, 'The PDF');
    }

    private function throughPandoc(Form $form, Paper $paper, string $size): string
    {
        return Tool::inFolder(function (string $folder) use ($form, $paper, $size): string {
            $files = [];
            foreach (self::asPng($paper) as $place => $png) {
                $files[$place] = "picture-{$place}.png";
                if (file_put_contents("{$folder}/{$files[$place]}", $png) !== strlen($png)) {
                    throw CannotHandOver::because(self::WORDS);
                }
            }
            Tool::run(['pandoc', '--from', 'html', '--to', $form->value, '--output', 'report'], $this->page($paper, $size, $files), self::WORDS, $folder);

            return (string) file_get_contents("{$folder}/report");
        });
    }

    /**
     * Pictures for what shows no SVG: each a page of its own size in one PDF, with our faces, then as dots.
     *
     * @return array<int, string> by block
     */
    private static function asPng(Paper $paper): array
    {
        $pages = $bodies = '';
        $places = [];
        foreach ($paper->blocks as $place => $block) {
            if ($block->svg !== null && preg_match('/<svg[^>]* width="([\d.]+)" height="([\d.]+)"/', $block->svg, $size) === 1) {
                $places[] = $place;
                $pages .= "@page p{$place}{size:{$size[1]}px {$size[2]}px;margin:0}.p{$place}{page:p{$place};line-height:0}";
                $bodies .= "<div class=\"p{$place}\">{$block->inlineSvg($place)}</div>";
            }
        }
        if ($places === []) {
            return [];
        }
        $pdf = self::pdf('<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Pictures</title><style>' . Faces::rules() . "{$pages}body{margin:0}</style></head><body>{$bodies}</body></html>", []);

        return Tool::inFolder(static function (string $folder) use ($pdf, $places): array {
            Tool::run(['pdftoppm', '-r', (string) self::DOTS_AN_INCH, '-png', '-', "{$folder}/p"], $pdf, 'The pictures');
            $files = (array) glob("{$folder}/p*.png");
            natsort($files);

            return array_map(static fn(int $at): string => (string) file_get_contents((string) ($files[$at] ?? '')), array_flip($places));
        });
    }
}
