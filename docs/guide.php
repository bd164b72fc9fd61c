<?php

declare(strict_types=1);

// Writes the guide: `php docs/guide.php` after a docblock of a figure, convention, picture or rule has changed. A test holds the files to them.

use App\Guide\GuideFiles;

require __DIR__ . '/../vendor/autoload.php';

foreach (GuideFiles::all() as $name => $text) {
    if (file_put_contents(__DIR__ . "/guide/{$name}", $text) === false) {
        exit("docs/guide/{$name} could not be written.\n");
    }
}
