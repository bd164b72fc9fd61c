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

    /** The same for the program that makes PDFs, which knows no ranges of weights: one file a weight. */
    private const FOR_PDF = [
        ['Instrument Sans Variable', 'ui-400', 'font-weight:400'],
        ['Instrument Sans Variable', 'ui-600', 'font-weight:600'],
        ['Instrument Sans Variable', 'ui-700', 'font-weight:700'],
        ['Spline Sans Mono Variable', 'figures-400', 'font-weight:400'],
        ['Spline Sans Mono Variable', 'figures-600', 'font-weight:600'],
        ['Row Tally Signs', 'signs-400', 'font-weight:400'],
        ['Row Tally Signs', 'signs-600', 'font-weight:600'],
        ['Row Tally Marks', 'marks', 'font-weight:400'],
        ['Row Tally Mono Marks', 'mono-marks', 'font-weight:400'],
        ['Row Tally Text', 'text-400-italic', 'font-style:italic'],
    ];

    /** An SVG with the faces inside it. */
    public static function into(string $svg): string
    {
        return (string) preg_replace('/<style>/', '<style>' . self::rules(), $svg, 1);
    }

    /** The faces as rules of a style sheet, which has them in it. */
    public static function rules(): string
    {
        return implode('', array_map(static fn(array $face): string => "@font-face{font-family:\"{$face[0]}\";src:url(data:font/woff2;base64,"
            . base64_encode((string) file_get_contents(self::FOLDER . "{$face[1]}.woff2")) . ")format(\"woff2\");{$face[2]}}", self::FACES));
    }

    /** The faces as rules of a style sheet that is read in `address()`: files without compression. What stands in a sheet is read a letter at a time, for half a second. */
    public static function rulesForPdf(): string
    {
        return implode('', array_map(static fn(array $face): string => "@font-face{font-family:\"{$face[0]}\";src:url({$face[1]}.ttf)format(\"truetype\");{$face[2]}}", self::FOR_PDF));
    }

    /** Where the files are. */
    public static function address(): string
    {
        return 'file://' . implode('/', array_map(rawurlencode(...), explode('/', (string) realpath(self::FOLDER)))) . '/';
    }
}
