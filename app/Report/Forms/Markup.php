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
}
