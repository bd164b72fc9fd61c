<?php

declare(strict_types=1);

namespace App\Drawing;

/** The faces of the interface, put into a picture that leaves the house, so that it looks the same wherever it is shown. */
final class Faces
{
    private const FOLDER = __DIR__ . '/../../resources/fonts/';
    private const FACES = [
        ['Instrument Sans Variable', 'ui', 'font-weight:400 700'],
        ['Spline Sans Mono Variable', 'figures', 'font-weight:300 700'],
        ['Row Tally Signs', 'signs-400', 'font-weight:100 550'],
        ['Row Tally Signs', 'signs-600', 'font-weight:551 900'],
        ['Row Tally Marks', 'marks', 'font-weight:400'],
        ['Row Tally Mono Marks', 'mono-marks', 'font-weight:400'],
        ['Row Tally Text', 'text-400-italic', 'font-style:italic'],
    ];

    /** An SVG with the faces inside it. */
    public static function into(string $svg): string
    {
        return (string) preg_replace('/<style>/', '<style>' . self::rules(), $svg, 1);
    }

    /**
     * The faces as rules of a style sheet.
     *
     * @param bool $isForPdf without compression, which the program that makes PDFs takes long to undo
     */
    public static function rules(bool $isForPdf = false): string
    {
        [$ending, $type, $format] = $isForPdf ? ['ttf', 'font/ttf', 'truetype'] : ['woff2', 'font/woff2', 'woff2'];

        return implode('', array_map(static fn(array $face): string => "@font-face{font-family:\"{$face[0]}\";src:url(data:{$type};base64,"
            . base64_encode((string) file_get_contents(self::FOLDER . "{$face[1]}.{$ending}")) . ")format(\"{$format}\");{$face[2]}}", self::FACES));
    }
}
