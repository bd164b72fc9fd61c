<?php

declare(strict_types=1);

namespace App\Intake;

use Closure;
use RuntimeException;
use Throwable;

/**
 * Work that a copy of this process does while this one goes on. What it comes to is sent back; nothing else of the copy lasts.
 *
 * The copy ends without tidying up, for what is open in it belongs to the process it was copied from, and it ends as soon as that
 * process is gone.
 */
final class SecondProcess
{
    private const LOOK_EVERY_MICROSECONDS = 250_000;
    private const PIECE = 1 << 16;

    private string $answer = '';
    private bool $isOver = false;

    /** @param resource $line */
    private function __construct(
        private readonly int $pid,
        private $line,
    ) {}

    public function __destruct()
    {
        $this->stop();
    }

    public static function isPossible(): bool
    {
        return PHP_SAPI === 'cli' && function_exists('pcntl_fork') && self::cores() > 1;
    }

    /** @param Closure(Closure(): void $goOn): mixed $work calls $goOn now and then; what it gives back can be serialised */
    public static function begin(Closure $work): self
    {
        $line = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, STREAM_IPPROTO_IP);
        $first = posix_getpid();
        $pid = $line === false ? -1 : pcntl_fork();
        if ($line === false || $pid === -1) {
            throw new RuntimeException('A second process could not be begun.');
        }
        if ($pid > 0) {
            fclose($line[1]);

            return new self($pid, $line[0]);
        }
        foreach ([SIGTERM, SIGQUIT, SIGINT, SIGUSR2, SIGCONT, SIGALRM] as $signal) {
            pcntl_signal($signal, SIG_DFL);
        }
        try {
            fclose($line[0]);
            $answer = ['result' => $work(static function () use ($first): void {
                if (posix_getppid() !== $first) {
                    self::end();
                }
            })];
        } catch (Throwable $thrown) {
            $answer = ['error' => (string) $thrown];
        }
        for ($bytes = serialize($answer), $sent = 0; $sent < strlen($bytes); $sent += $written) {
            $written = @fwrite($line[1], substr($bytes, $sent, self::PIECE));
            if ($written === false || $written === 0) {
                break;
            }
        }
        self::end();
    }

    /**
     * Waits for it.
     *
     * @param Closure(): void $meanwhile called a few times a second; may throw, which ends the wait
     */
    public function result(Closure $meanwhile): mixed
    {
        while (!feof($this->line)) {
            $read = [$this->line];
            $write = $except = null;
            if (@stream_select($read, $write, $except, 0, self::LOOK_EVERY_MICROSECONDS) > 0) {
                $this->answer .= (string) fread($this->line, self::PIECE);
            } else {
                $meanwhile();
            }
        }
        $this->stop();
        $answer = $this->answer === '' ? null : @unserialize($this->answer);
        if (!is_array($answer) || !array_key_exists('result', $answer)) {
            $error = is_array($answer) ? $answer['error'] ?? null : null;
            throw new RuntimeException('The second process ended before its work was done. ' . (is_string($error) ? $error : ''));
        }

        return $answer['result'];
    }

    public function stop(): void
    {
        if ($this->isOver) {
            return;
        }
        $this->isOver = true;
        posix_kill($this->pid, SIGKILL);
        pcntl_waitpid($this->pid, $status);
        fclose($this->line);
    }

    private static function end(): never
    {
        posix_kill(posix_getpid(), SIGKILL);
        exit(1);
    }

    private static function cores(): int
    {
        return (int) shell_exec('nproc 2>/dev/null');
    }
}
