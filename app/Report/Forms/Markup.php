<?php

declare(strict_types=1);

namespace App\Report\Forms;

/** What views are written with, and readers need not get. */
final class Markup
{
    /** Without the indents and empty lines of the view. */
    public static function tidy(string $html): string
    {
        return (string) preg_replace('/\s*\n\s*/', "\n", $html);
    }

    /** Without the line ends between the cells of tables: the program that makes PDFs makes a box of each before it finds that it is empty. */
    public static function tight(string $tidied): string
    {
        return (string) preg_replace('/\n(?=<\/?(?:caption|col|thead|tbody|tr|th|td)\b)/', '', $tidied);
    }
}
