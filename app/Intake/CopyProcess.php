<?php

declare(strict_types=1);

namespace App\Intake;

use App\Files\NoRoom;
use App\Intake\Formats\Format;
use Closure;
use RowTally\Core\Parsing\Finding;
use RuntimeException;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * Workbooks, JSON and archives from outside are read by a process of its own, which the system holds to its memory, its time and the
 * length of what it writes: whatever a file makes the libraries do that read it, nothing else suffers.
 */
final class CopyProcess
{
    /** All of the process, what libraries take beside PHP included. */
    private const MOST_KILOBYTES = 440 << 10;
    /** The just-in-time compiler pays for itself within a second; what it and its cache take is kept small. */
    private const SETTINGS = ['-d', 'memory_limit=300M', '-d', 'display_errors=stderr', '-d', 'opcache.memory_consumption=16', '-d', 'opcache.max_accelerated_files=300', '-d', 'opcache.jit_buffer_size=16M'];
    /** Of the processor: for a look and for all of a table. */
    private const SECONDS = ['look' => 20, 'whole' => 900];
    private const MOST_WRITTEN = ['look' => 256 << 20, 'whole' => 2 << 30];
    private const LOOK_EVERY_MICROSECONDS = 20_000;
    private const TELL_EVERY_LOOKS = 10;
    private const TOO_LONG = [128 + SIGXCPU, 128 + SIGKILL];

    /**
     * @param Format|null     $format    null = found out in there
     * @param Closure(): void $meanwhile called a few times a second; may throw, which ends the process
     *
     * @throws NotATable
     * @throws NoRoom
     */
    public static function copy(string $path, string $name, ?Format $format, Decisions $decisions, bool $sample, string $copy, Closure $meanwhile): CopiedTable
    {
        $size = $sample ? 'look' : 'whole';
        $process = new Process(
            ['bash', '-c', 'ulimit -c 0 -v "$1" -t "$2" -f "$3" && shift 3 && exec "$@"', 'copy', (string) self::MOST_KILOBYTES, (string) self::SECONDS[$size], (string) (self::MOST_WRITTEN[$size] >> 10), self::php(), ...self::SETTINGS, dirname(__DIR__, 2) . '/ops/copy-table.php'],
            input: json_encode(['path' => $path, 'name' => $name, 'format' => $format?->value, 'decisions' => $decisions->toArray(), 'sample' => $sample, 'copy' => $copy], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            timeout: null,
        );
        $process->start();
        try {
            for ($looks = 0; $process->isRunning(); ++$looks) {
                usleep(self::LOOK_EVERY_MICROSECONDS);
                if ($looks % self::TELL_EVERY_LOOKS === 0) {
                    $meanwhile();
                }
            }
        } finally {
            $process->stop(0);
        }
        $answer = json_decode($process->getOutput(), true);
        if (!is_array($answer)) {
            throw self::ended($process, $size);
        }
        if (isset($answer['no_room'])) {
            throw new NoRoom();
        }
        if (is_array($answer['finding'] ?? null)) {
            /** @var array{string, string, string, string, int|null} $finding */
            $finding = $answer['finding'];
            throw NotATable::because(new Finding(...$finding));
        }
        /** @var array{format: string, decisions: array<string, mixed>, bytes: int, is_cut: bool, sheets: list<string>, sheet: string|null, remarks: list<string>} $answer */
        $copied = CopiedTable::fromArray($answer);
        clearstatcache(true, $copy);

        return filesize($copy) === $copied->bytes ? $copied : throw new NoRoom();
    }

    private static function php(): string
    {
        $found = (new PhpExecutableFinder())->find();

        return $found === false ? 'php' : $found;
    }

    /** @param 'look'|'whole' $size */
    private static function ended(Process $process, string $size): NotATable
    {
        $said = trim($process->getErrorOutput());

        return match (true) {
            str_contains($said, 'llowed memory size') || str_contains($said, 'ut of memory') || str_contains($said, 'annot allocate memory') => NotATable::tooMuch('more than ' . (self::MOST_KILOBYTES >> 10) . ' MB of memory'),
            in_array($process->getExitCode(), self::TOO_LONG, true) => NotATable::tooMuch('more than ' . self::SECONDS[$size] . ' seconds'),
            $process->getExitCode() === 128 + SIGXFSZ => NotATable::tooMuch('more than ' . (self::MOST_WRITTEN[$size] >> 20) . ' MB once it is unpacked'),
            default => self::unknown($process, $said),
        };
    }

    private static function unknown(Process $process, string $said): NotATable
    {
        report(new RuntimeException("The process that reads files ended with {$process->getExitCode()}: " . mb_strimwidth($said, 0, 2000, '…')));

        return NotATable::damaged('the program that reads such files gave it up');
    }
}
