<?php

declare(strict_types=1);

namespace Tests\App\Support;

use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Support\Facades\Storage;
use League\Flysystem\Filesystem;
use League\Flysystem\Local\LocalFilesystemAdapter;

/** A disk that is no folder of this machine to those who use it: nothing of it has a path, and nothing can be added to what it holds. */
final class DistantDisk
{
    public static function use(string $folder): void
    {
        config()->set('filesystems.disks.distant', ['driver' => 'distant']);
        config()->set('filesystems.default', 'distant');
        Storage::extend('distant', static function () use ($folder): FilesystemAdapter {
            $adapter = new LocalFilesystemAdapter($folder);

            return new class (new Filesystem($adapter), $adapter, ['throw' => false]) extends FilesystemAdapter {
                public function path($path): never
                {
                    throw new \LogicException("{$path} has no path here");
                }
            };
        });
    }
}
