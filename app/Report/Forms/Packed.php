<?php

declare(strict_types=1);

namespace App\Report\Forms;

use App\Export\ZipFile;

/** Files in one zip; the same files give the same bytes. */
final class Packed
{
    /** @param list<array{name: string, bytes: string}> $files */
    public static function of(array $files): string
    {
        $out = fopen('php://temp', 'w+');
        if ($out === false) {
            throw CannotHandOver::because('The zip');
        }
        ZipFile::write($out, array_column($files, 'bytes', 'name'), []);
        rewind($out);
        $packed = stream_get_contents($out);
        fclose($out);

        return $packed === false || $packed === '' ? throw CannotHandOver::because('The zip') : $packed;
    }
}
