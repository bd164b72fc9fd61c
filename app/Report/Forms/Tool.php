<?php

declare(strict_types=1);

namespace App\Report\Forms;

use Closure;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/** A program that makes a file of another: it has a time and a memory limit, no network, no setting of ours, and sees nothing but what it is handed. */
final class Tool
{
    private const SECONDS = 240;
    private const MEMORY_KB = 1_500_000;
    private const LOOK_EVERY_MICROSECONDS = 50_000;
    private const ASK_EVERY_SECONDS = 0.2;

    /**
     * @param non-empty-list<string>       $command
     * @param list<string>                 $through  what runs the program, where it does not run by itself; it ends with 127 where the program is not there
     * @param (Closure(string): bool)|null $isWanted handed what the program has reported so far; false ends it, and so does what it throws
     *
     * @return string what it writes
     *
     * @throws CannotHandOver
     */
    public static function run(array $command, string $input, string $what, ?string $folder = null, ?Closure $isWanted = null, int $seconds = self::SECONDS, array $through = []): string
    {
        $process = new Process(
            ['sh', '-c', 'ulimit -v ' . self::MEMORY_KB . '; exec "$@"', 'sh', ...$through, ...$command],
            $folder ?? sys_get_temp_dir(),
            ['PATH' => '/usr/local/bin:/usr/bin:/bin', 'HOME' => sys_get_temp_dir(), 'LANG' => 'C.UTF-8', 'PYTHONHASHSEED' => '0', 'http_proxy' => 'http://127.0.0.1:1', 'https_proxy' => 'http://127.0.0.1:1'],
            $input,
            $seconds,
        );
        $hasWritten = false;
        try {
            $process->start(static function () use (&$hasWritten): void {
                $hasWritten = true;
            });
            $started = $asked = microtime(true);
            while ($process->isRunning()) {
                $process->checkTimeout();
                $now = microtime(true);
                if ($isWanted !== null && $now - $asked > self::ASK_EVERY_SECONDS) {
                    $asked = $now;
                    if (!$isWanted($process->getErrorOutput())) {
                        throw CannotHandOver::isCancelled();
                    }
                }
                // A pipe holds 64 KB: as long as something goes in or comes out, every pause is time lost.
                usleep($hasWritten ? 0 : (int) min(self::LOOK_EVERY_MICROSECONDS, ($now - $started) * 20_000));
                $hasWritten = false;
            }
        } catch (ProcessTimedOutException) {
            throw CannotHandOver::tookTooLong($what, $seconds);
        } finally {
            $process->stop(0);
        }
        if ($process->getExitCode() === 127) {
            throw CannotHandOver::isMissing($what, $command[0]);
        }
        if (!$process->isSuccessful()) {
            report(CannotHandOver::because("{$what}: " . mb_substr($process->getErrorOutput(), -500)));
            throw CannotHandOver::because($what);
        }

        return $process->getOutput();
    }

    /**
     * With a folder of its own, which is gone afterwards.
     *
     * @template T
     *
     * @param callable(string): T $work
     *
     * @return T
     */
    public static function inFolder(callable $work): mixed
    {
        $folder = sys_get_temp_dir() . '/rowtally-' . bin2hex(random_bytes(8));
        if (!mkdir($folder, 0700)) {
            throw CannotHandOver::because('The file');
        }
        try {
            return $work($folder);
        } finally {
            foreach ((array) glob("{$folder}/*") as $file) {
                unlink((string) $file);
            }
            rmdir($folder);
        }
    }
}
