<?php

declare(strict_types=1);

namespace App\Report;

use RuntimeException;
use ZipArchive;

/** Files in one zip; the same files give the same bytes. */
final class Packed
{
    /** @param list<array{name: string, bytes: string}> $files */
    public static function of(array $files): string
    {
        $path = tempnam(sys_get_temp_dir(), 'rowtally');
        if ($path === false) {
            throw CannotHandOver::because('The zip');
        }
        try {
            $zip = new ZipArchive();
            if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
                throw CannotHandOver::because('The zip');
            }
            foreach ($files as ['name' => $name, 'bytes' => $bytes]) {
                if (!$zip->addFromString($name, $bytes) || !$zip->setMtimeName($name, 315_532_800)) {
                    throw CannotHandOver::because('The zip');
                }
            }
            if (!$zip->close()) {
                throw CannotHandOver::because('The zip');
            }
            $packed = file_get_contents($path);

            return $packed === false || $packed === '' ? throw new RuntimeException('The zip is empty.') : $packed;
        } finally {
            @unlink($path);
        }
    }
}
