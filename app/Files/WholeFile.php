<?php

declare(strict_types=1);

namespace App\Files;

/** Files written whole or not at all: a disk without room cuts what is written short, without a word. */
final class WholeFile
{
    /**
     * @param resource $file
     *
     * @throws NoRoom
     */
    public static function write($file, string $bytes): void
    {
        if (@fwrite($file, $bytes) !== strlen($bytes)) {
            throw new NoRoom();
        }
    }

    /**
     * @return resource a new file, to be written
     *
     * @throws NoRoom
     */
    public static function create(string $path)
    {
        $file = @fopen($path, 'w');

        return $file === false ? throw new NoRoom() : $file;
    }

    /** @throws NoRoom */
    public static function put(string $path, string $bytes): void
    {
        $file = self::create($path);
        try {
            self::write($file, $bytes);
        } finally {
            self::close($file);
        }
    }

    /**
     * Copies up to so many bytes of a stream.
     *
     * @param resource $from
     * @param resource $to
     *
     * @return int how many there were
     *
     * @throws NoRoom
     */
    public static function copy($from, $to, int $most = PHP_INT_MAX): int
    {
        $copied = 0;
        while ($copied < $most && ($block = (string) fread($from, max(1, min(1 << 16, $most - $copied)))) !== '') {
            self::write($to, $block);
            $copied += strlen($block);
        }

        return $copied;
    }

    /**
     * @param resource $file
     *
     * @throws NoRoom
     */
    public static function close($file): void
    {
        if (!fflush($file) || !fclose($file)) {
            throw new NoRoom();
        }
    }

    /** A name for a file that is needed for a while; what is left of them is swept away (see `SweepImports`). */
    public static function scratch(): string
    {
        $path = @tempnam(sys_get_temp_dir(), 'rowtally');

        return $path === false ? throw new NoRoom() : $path;
    }
}
