<?php

declare(strict_types=1);

namespace App\Files;

use Closure;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Storage;

/**
 * A file of the storage as one of this machine, for what reads or writes it piece by piece: itself where the storage is a folder here, else a
 * copy that is gone with this object. The storage may be any disk that the framework knows.
 */
final readonly class StoredFile
{
    private function __construct(
        /** where it is to be read; nothing is there when the storage has none */
        public string $path,
        private bool $isCopy,
    ) {}

    public function __destruct()
    {
        if ($this->isCopy) {
            @unlink($this->path);
        }
    }

    /** Whether the storage is a folder of this machine, or one that it sees as its own. */
    public static function isHere(): bool
    {
        return Config::get('filesystems.disks.' . Config::string('filesystems.default') . '.driver') === 'local';
    }

    /** @throws NoRoom for the copy */
    public static function of(string $stored): self
    {
        if (self::isHere()) {
            return new self(Storage::path($stored), false);
        }
        $copy = new self(WholeFile::scratch(), true);
        $from = Storage::exists($stored) ? Storage::readStream($stored) : null;
        if (!is_resource($from)) {
            unlink($copy->path);

            return $copy;
        }
        $to = WholeFile::create($copy->path);
        try {
            WholeFile::copy($from, $to);
        } finally {
            WholeFile::close($to);
            fclose($from);
        }

        return $copy;
    }

    /**
     * Whole or not at all.
     *
     * @throws NoRoom
     */
    public static function put(string $stored, string $bytes): void
    {
        self::write($stored, static fn($file) => WholeFile::write($file, $bytes));
    }

    /**
     * A new file of the storage, written piece by piece; whole or not at all.
     *
     * @param Closure(resource): void $write
     *
     * @throws NoRoom
     */
    public static function write(string $stored, Closure $write): void
    {
        $isHere = self::isHere();
        if ($isHere) {
            Storage::makeDirectory(dirname($stored));
        }
        $file = new self($isHere ? Storage::path($stored) : WholeFile::scratch(), !$isHere);
        try {
            $to = WholeFile::create($file->path);
            try {
                $write($to);
            } finally {
                WholeFile::close($to);
            }
            if (!$isHere) {
                self::take($stored, $file->path);
            }
        } catch (\Throwable $thrown) {
            Storage::delete($stored);
            throw $thrown;
        }
    }

    /**
     * Copies a file of this machine into the storage; whole or not at all.
     *
     * @throws NoRoom
     */
    public static function take(string $stored, string $path): void
    {
        clearstatcache(true, $path);
        $from = fopen($path, 'rb');
        if ($from === false || !Storage::writeStream($stored, $from) || Storage::size($stored) !== filesize($path)) {
            Storage::delete($stored);
            throw new NoRoom();
        }
        if (is_resource($from)) {
            fclose($from);
        }
    }
}
