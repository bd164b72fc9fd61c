<?php

declare(strict_types=1);

use Tests\faults\Browser;

/** Ends the run with what was found. */
function found(string $what): never
{
    fwrite(STDERR, "FAULT: {$what}\n");
    exit(1);
}

function said(string $what): void
{
    printf("%s %s\n", date('H:i:s'), $what);
}

/** Asks until it is answered at all. */
function surely(Browser $browser, string $method, string $path, ?array $body = null): array
{
    for ($until = microtime(true) + 60; microtime(true) < $until; usleep(100_000)) {
        $answer = $browser->ask($method, $path, $body);
        if ($answer['status'] === 401 || $answer['status'] === 419) {
            $browser->signIn();
        } elseif ($answer['status'] > 0 && $answer['status'] < 500) {
            return $answer;
        }
    }
    found("{$method} {$path} was not answered within a minute: {$answer['status']} " . substr($answer['text'], 0, 200));
}

/** Uploads a file and begins to read it, once everything is there. */
function uploaded(Browser $browser, string $path): array
{
    for ($try = 0; $try < 20; ++$try) {
        surely($browser, 'GET', '/datasets');
        $answer = $browser->ask('POST', '/imports', ['begin' => '1'], $path);
        if ($answer['status'] === 202) {
            return $answer;
        }
        sleep(1);
    }
    found("an upload was not taken: {$answer['status']} {$answer['text']}");
}

/** Waits for an import to end, and holds what it came to against what it should be. */
function ended(Browser $browser, int $import, int $rows, int $seconds): string
{
    for ($until = microtime(true) + $seconds; microtime(true) < $until; usleep(200_000)) {
        $answer = surely($browser, 'GET', "/imports/{$import}");
        $status = (string) ($answer['body']['status'] ?? '');
        if (in_array($status, ['done', 'failed', 'cancelled'], true)) {
            if ($status === 'done') {
                $dataset = surely($browser, 'GET', "/datasets/{$answer['body']['dataset_id']}")['body'];
                if (($dataset['rows'] ?? 0) !== $rows) {
                    found("import {$import} is done with " . json_encode($dataset['rows'] ?? null) . " of {$rows} rows");
                }
            }

            return $status;
        }
    }
    found("import {$import} has not ended within {$seconds} seconds");
}
