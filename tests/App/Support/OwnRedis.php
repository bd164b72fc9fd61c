<?php

declare(strict_types=1);

namespace Tests\App\Support;

use RuntimeException;
use Symfony\Component\Process\Process;

/** A Redis of the test's own, on a port of its own, gone with it. */
final class OwnRedis
{
    private readonly Process $server;
    public readonly int $port;

    public function __construct()
    {
        $free = stream_socket_server('tcp://127.0.0.1:0');
        $this->port = $free === false ? 0 : (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        if ($free !== false) {
            fclose($free);
        }
        $this->server = new Process(['redis-server', '--port', (string) $this->port, '--bind', '127.0.0.1', '--save', '', '--appendonly', 'no', '--dir', sys_get_temp_dir()], timeout: null);
        $this->server->start();
        for ($tries = 0; @fsockopen('127.0.0.1', $this->port) === false; ++$tries) {
            if ($tries > 100) {
                throw new RuntimeException('Redis did not start: ' . $this->server->getOutput() . $this->server->getErrorOutput());
            }
            usleep(50_000);
        }
    }

    public function __destruct()
    {
        $this->stop();
    }

    public function stop(): void
    {
        $this->server->stop(0);
    }
}
