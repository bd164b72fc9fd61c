<?php

declare(strict_types=1);

namespace Tests\App\Support;

/** Runs a command as a person does: in a process of its own, without database, server or settings. */
trait RunsCommands
{
    /**
     * @param list<string> $arguments
     *
     * @return array{int, string, string} exit code, standard output and standard error
     */
    private static function command(string $name, array $arguments, string $input): array
    {
        $process = proc_open(
            [PHP_BINARY, dirname(__DIR__, 3) . '/artisan', $name, ...$arguments],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            null,
            ['ROWTALLY_INSTANCE' => 'none', 'PATH' => (string) getenv('PATH')],
        );
        self::assertIsResource($process);
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $out = (string) stream_get_contents($pipes[1]);
        $error = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $out, $error];
    }
}
