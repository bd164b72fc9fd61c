<?php

declare(strict_types=1);

namespace App\Export;

use App\Files\NoRoom;
use App\Files\WholeFile;
use RuntimeException;
use ZipArchive;

/** A zip archive made in a temporary file and then sent on. */
final class ZipFile
{
    /** The first moment that a zip can tell of. */
    private const NO_TIME = 315_532_800;

    /**
     * @param resource              $out
     * @param array<string, string> $texts  name => content; the first stands first in the archive
     * @param array<string, string> $files  name => temporary file, which is gone afterwards
     * @param list<string>          $stored names that must not be packed
     */
    public static function write($out, array $texts, array $files, array $stored = []): void
    {
        $path = WholeFile::scratch();
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('The archive cannot be made.');
        }
        foreach ($texts as $name => $text) {
            $zip->addFromString($name, $text);
            // No time of day in it: the same texts give the same bytes.
            $zip->setMtimeName($name, self::NO_TIME);
            if (in_array($name, $stored, true)) {
                $zip->setCompressionName($name, ZipArchive::CM_STORE);
            }
        }
        foreach ($files as $name => $file) {
            $zip->addFile($file, $name);
            $zip->setCompressionName($name, ZipArchive::CM_DEFLATE, 3);
        }
        if (!@$zip->close()) {
            throw new NoRoom();
        }
        $in = fopen($path, 'r');
        if ($in !== false) {
            WholeFile::copy($in, $out);
            fclose($in);
        }
        array_map(unlink(...), [$path, ...array_values($files)]);
    }
}
