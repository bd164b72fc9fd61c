<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\NoRoom;
use App\Files\StoredFile;
use App\Files\WholeFile;
use Illuminate\Support\Facades\Storage;

/**
 * The parts of a file while it arrives: written one behind the other where the storage is a folder, else each kept by itself and put
 * together when the last one is there, for nothing can be added to what an object storage holds.
 */
final class StoredParts
{
    /** @throws NoRoom */
    public static function begin(string $path): void
    {
        if (StoredFile::isHere()) {
            StoredFile::put($path, '');
        }
    }

    /**
     * Writes at its place: what a process that died had begun to write there is written over.
     *
     * @throws NoRoom
     * @throws PartRefused when what has arrived before is gone
     */
    public static function put(string $path, int $offset, string $part, bool $isLast): void
    {
        if (StoredFile::isHere()) {
            self::into(Storage::path($path), $offset, $part);

            return;
        }
        StoredFile::put(self::name($path, $offset), $part);
        if ($isLast) {
            self::together($path);
        }
    }

    public static function delete(string $path): void
    {
        Storage::delete($path);
        if (!StoredFile::isHere()) {
            Storage::deleteDirectory("{$path}.parts");
        }
    }

    private static function into(string $path, int $offset, string $part): void
    {
        $file = @fopen($path, 'r+b');
        if ($file === false) {
            throw PartRefused::gone();
        }
        try {
            if (fseek($file, $offset) !== 0 || @fwrite($file, $part) !== strlen($part) || !fflush($file)) {
                ftruncate($file, max(0, $offset));
                throw new NoRoom();
            }
        } finally {
            fclose($file);
        }
    }

    private static function together(string $path): void
    {
        StoredFile::write($path, static function ($whole) use ($path): void {
            /** @var list<string> $parts */
            $parts = Storage::files("{$path}.parts");
            sort($parts);
            $at = 0;
            foreach ($parts as $part) {
                $from = Storage::readStream($part);
                if ($part !== self::name($path, $at) || !is_resource($from)) {
                    throw PartRefused::gone();
                }
                $at += WholeFile::copy($from, $whole);
                fclose($from);
            }
        });
        Storage::deleteDirectory("{$path}.parts");
    }

    private static function name(string $path, int $offset): string
    {
        return sprintf('%s.parts/%015d', $path, $offset);
    }
}
