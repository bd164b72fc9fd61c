<?php

declare(strict_types=1);

namespace App\Report\Forms;

use App\Drawing\Faces;
use App\Report\Paper;
use App\Report\Record\ShownNumbers;
use Closure;
use Illuminate\Contracts\View\Factory;

/**
 * A report as a file. PDF is made by WeasyPrint and word processors' files by pandoc, of the same page; when one of them is missing or fails
 * a sentence says so, and the other forms still work. The record goes with those that can carry it.
 */
final readonly class HandOver
{
    public const RECORD = 'record.json';
    public const ROWS = 'rows.csv';
    private const SIZES = ['a4' => 'A4', 'letter' => 'letter'];
    private const DOTS_AN_INCH = 192;
    public const STEPS = 7;
    /** A document is laid out once, then the process ends: to look for what is no longer used takes a fifth of the time and finds a twentieth of the memory. */
    private const WITHOUT_COLLECTION = ['/usr/bin/python3', '-P', '-c', <<<'PYTHON'
        import gc, sys
        try:
            from weasyprint.__main__ import main
        except ImportError:
            sys.exit(127)
        gc.disable()
        main(sys.argv[2:])
        PYTHON];
    private const WORDS = 'The file for word processors';

    public function __construct(private Factory $views) {}

    /**
     * @param 'a4'|'letter'                $size
     * @param array<string, mixed>|null    $record   what is to be checked against; null = none goes along
     * @param string|null                  $rows     the rows as CSV, where they go along
     * @param (Closure(string): bool)|null $isWanted asked while a program works: false ends it
     *
     * @throws CannotHandOver
     */
    public function as(Form $form, Paper $paper, string $size = 'a4', ?array $record = null, ?string $rows = null, ?Closure $isWanted = null): string
    {
        return match ($form) {
            Form::Page => $this->singlePage($paper, $size, $record, $rows),
            Form::Pdf => self::attached(self::pdf($this->page($paper, $size, hasWidths: true), ['--verbose', '--pdf-variant', 'pdf/ua-1'], $isWanted), $record, $rows),
            Form::Docx, Form::Odt => $this->throughPandoc($form, $paper, $size, $isWanted),
            Form::Markdown => MarkdownZip::of($paper, self::asPng($paper, $isWanted), $record, $rows),
            Form::Tables => TablesZip::of($paper, self::asPng($paper, $isWanted), $record, $rows),
        };
    }

    /** The page as it is looked at: in the application, and under a link. */
    public function shownPage(Paper $paper, string $above = '', string $below = ''): string
    {
        return $this->page($paper, 'a4', above: $above, below: $below);
    }

    /** How many of the steps of `STEPS` in which a PDF is made are done, by what the program reports. */
    public static function stepsDone(string $reported): int
    {
        return preg_match_all('/^INFO: Step (\d)/m', $reported, $steps) > 0 ? max(0, (int) end($steps[1]) - 1) : 0;
    }

    /** The pages as they will be on paper. */
    public static function pages(string $pdf): int
    {
        return preg_match('/^Pages:\s+(\d+)$/m', Tool::run(['pdfinfo', '-'], $pdf, 'The pages'), $found) === 1 ? (int) $found[1] : 0;
    }

    /** One of the pages as PNG, from 1. */
    public static function pagePng(string $pdf, int $page): string
    {
        return Tool::run(['pdftoppm', '-r', '110', '-png', '-f', (string) $page, '-l', (string) $page, '-'], $pdf, 'The page');
    }

    /**
     * @param 'a4'|'letter'             $size
     * @param array<string, mixed>|null $record
     */
    private function singlePage(Paper $paper, string $size, ?array $record, ?string $rows): string
    {
        if ($record === null) {
            return $this->page($paper, $size);
        }
        $numbers = ShownNumbers::of(ShownNumbers::textOfHtml($this->page($paper, $size)));
        $scripts = '<script type="application/json" id="record">' . ShownNumbers::record($record, 'html', $numbers, forHtml: true) . '</script>';
        if ($rows !== null) {
            $scripts .= "\n<script type=\"text/plain\" id=\"rows\">" . base64_encode($rows) . '</script>';
        }

        return $this->page($paper, $size, below: $scripts);
    }

    /**
     * @param 'a4'|'letter'              $size
     * @param array<string, string>|null $files     of the pictures by block, for what shows no SVG
     * @param bool                       $hasWidths for paper: columns are as wide as is reckoned here
     */
    private function page(Paper $paper, string $size, ?array $files = null, string $above = '', string $below = '', bool $hasWidths = false): string
    {
        $page = Markup::tidy($this->views->make('report.paper', [
            'paper' => $paper,
            'files' => $files,
            'faces' => match (true) {
                $files !== null => '',
                $hasWidths => Faces::rulesForPdf(),
                default => Faces::rules(),
            },
            'style' => (string) file_get_contents(resource_path('views/report/paper.css')),
            'size' => self::SIZES[$size],
            'widthsFor' => $hasWidths ? $size : null,
            'above' => $above,
            'record' => $below,
            // A string of CSS, which a title must not end.
            'running' => '"' . (string) preg_replace_callback('/[^\p{L}\p{N} .,]/u', static fn(array $sign): string => sprintf('\\%06x', mb_ord($sign[0])), mb_strimwidth($paper->title, 0, 90, '…')) . '"',
        ])->render());

        return $hasWidths ? Markup::tight($page) : $page;
    }

    /**
     * @param list<string>                 $options
     * @param (Closure(string): bool)|null $isWanted
     */
    private static function pdf(string $page, array $options, ?Closure $isWanted): string
    {
        return Tool::run(['weasyprint', '--encoding', 'utf-8', '--base-url', Faces::address(), ...$options, '-', '-'], $page, 'The PDF', isWanted: $isWanted, through: self::WITHOUT_COLLECTION);
    }

    /** @param array<string, mixed>|null $record */
    private static function attached(string $pdf, ?array $record, ?string $rows): string
    {
        if ($record === null) {
            return $pdf;
        }
        $numbers = ShownNumbers::of(Tool::run(['pdftotext', '-', '-'], $pdf, 'The PDF'));

        return Tool::inFolder(static function (string $folder) use ($pdf, $record, $rows, $numbers): string {
            $files = ['0.pdf' => $pdf, self::RECORD => ShownNumbers::record($record, 'pdf', $numbers), ...($rows === null ? [] : [self::ROWS => $rows])];
            foreach ($files as $name => $bytes) {
                if (file_put_contents("{$folder}/{$name}", $bytes) !== strlen($bytes)) {
                    throw CannotHandOver::because('The PDF');
                }
            }
            $last = '0.pdf';
            foreach (array_slice(array_keys($files), 1) as $i => $name) {
                $next = ($i + 1) . '.pdf';
                Tool::run(['pdfattach', $last, $name, $next], '', 'The PDF', $folder);
                $last = $next;
            }

            return (string) file_get_contents("{$folder}/{$last}");
        });
    }

    /**
     * @param 'a4'|'letter'                $size
     * @param (Closure(string): bool)|null $isWanted
     */
    private function throughPandoc(Form $form, Paper $paper, string $size, ?Closure $isWanted): string
    {
        return Tool::inFolder(function (string $folder) use ($form, $paper, $size, $isWanted): string {
            $files = [];
            foreach (self::asPng($paper, $isWanted) as $block => $png) {
                $files[$block] = "picture-{$block}.png";
                if (file_put_contents("{$folder}/{$files[$block]}", $png) !== strlen($png)) {
                    throw CannotHandOver::because(self::WORDS);
                }
            }
            Tool::run(['pandoc', '--from', 'html', '--to', $form->value, '--output', 'report'], $this->page($paper, $size, $files), self::WORDS, $folder, $isWanted);

            return (string) file_get_contents("{$folder}/report");
        });
    }

    /**
     * Pictures for what shows no SVG: each a page of its own size in one PDF, with our faces, then as dots.
     *
     * @param (Closure(string): bool)|null $isWanted
     *
     * @return array<string, string> by block, whose id begins with a letter
     */
    private static function asPng(Paper $paper, ?Closure $isWanted): array
    {
        $pages = $bodies = '';
        $ids = [];
        foreach ($paper->blocks as $block) {
            if ($block->svg !== null && preg_match('/<svg[^>]* width="([\d.]+)" height="([\d.]+)"/', $block->svg, $size) === 1) {
                $ids[] = $block->id;
                $pages .= "@page p{$block->id}{size:{$size[1]}px {$size[2]}px;margin:0}.p{$block->id}{page:p{$block->id};line-height:0}";
                $bodies .= "<div class=\"p{$block->id}\">{$block->inlineSvg()}</div>";
            }
        }
        if ($ids === []) {
            return [];
        }
        $pdf = self::pdf('<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Pictures</title><style>' . Faces::rulesForPdf() . "{$pages}body{margin:0}</style></head><body>{$bodies}</body></html>", [], $isWanted);

        return Tool::inFolder(static function (string $folder) use ($pdf, $ids, $isWanted): array {
            Tool::run(['pdftoppm', '-r', (string) self::DOTS_AN_INCH, '-png', '-', "{$folder}/p"], $pdf, 'The pictures', isWanted: $isWanted);
            $files = (array) glob("{$folder}/p*.png");
            natsort($files);
            $files = array_values($files);
            $pictures = [];
            foreach ($ids as $i => $id) {
                $pictures[$id] = (string) file_get_contents((string) ($files[$i] ?? ''));
            }

            return $pictures;
        });
    }
}
