<?php

declare(strict_types=1);

namespace App\Operator;

use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Route;

/**
 * Requests and their times since the first look, counted from the web server's own log: what is served costs nothing more for being
 * counted. How far the log was read is kept beside the counts; a log that was turned over in between is read to its end first.
 *
 * @phpstan-type Counted array{offset: int, count: array<string, int>, seconds: array<string, array{sum: float, buckets: list<int>}>}
 */
final class CountedRequests
{
    /** Upper ends of the classes of times, in seconds. */
    public const SECONDS = [0.025, 0.05, 0.1, 0.3, 0.8, 2.0, 5.0, 20.0, 120.0];
    private const MOST_BYTES = 64 << 20;

    /** @var array<string, string> */
    private array $shapes = [];

    public function __construct(private readonly string $log, private readonly string $kept) {}

    /** @return Counted */
    public function all(): array
    {
        $lock = fopen("{$this->kept}.lock", 'c');
        if ($lock !== false) {
            flock($lock, LOCK_EX);
        }
        $counted = $this->kept();
        clearstatcache(true, $this->log);
        $size = is_file($this->log) ? (int) filesize($this->log) : 0;
        if ($size < $counted['offset']) {
            $this->read("{$this->log}.1", $counted);
            $counted['offset'] = 0;
        }
        $this->read($this->log, $counted);
        File::replace($this->kept, json_encode($counted, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
        if ($lock !== false) {
            fclose($lock);
        }

        return $counted;
    }

    /** @return Counted */
    private function kept(): array
    {
        /** @var Counted|null $kept */
        $kept = is_file($this->kept) ? json_decode((string) file_get_contents($this->kept), true) : null;

        return $kept ?? ['offset' => 0, 'count' => [], 'seconds' => []];
    }

    /** @param Counted $counted */
    private function read(string $log, array &$counted): void
    {
        $file = is_file($log) ? @fopen($log, 'r') : false;
        if ($file === false || fseek($file, $counted['offset']) !== 0) {
            return;
        }
        $end = $counted['offset'] + self::MOST_BYTES;
        while ($counted['offset'] < $end && ($line = fgets($file)) !== false && str_ends_with($line, "\n")) {
            $counted['offset'] += strlen($line);
            $this->count(explode("\t", rtrim($line)), $counted);
        }
        fclose($file);
    }

    /**
     * @param list<string> $fields  as ops/nginx.conf.template writes them
     * @param Counted      $counted
     */
    private function count(array $fields, array &$counted): void
    {
        if (count($fields) < 5) {
            return;
        }
        [, $method, $path, $status, $seconds] = $fields;
        $method = in_array($method, ['GET', 'POST', 'PUT', 'PATCH', 'DELETE', 'HEAD'], true) ? $method : 'other';
        $shape = $this->shape($method, $path);
        $class = "{$method} {$shape} " . (preg_match('/^[1-5]\d\d$/D', $status) === 1 ? $status : '000');
        $counted['count'][$class] = ($counted['count'][$class] ?? 0) + 1;
        $times = $counted['seconds'][$shape] ?? ['sum' => 0.0, 'buckets' => array_fill(0, count(self::SECONDS) + 1, 0)];
        $times['sum'] += (float) $seconds;
        $place = 0;
        while ($place < count(self::SECONDS) && (float) $seconds > self::SECONDS[$place]) {
            ++$place;
        }
        $times['buckets'] = array_values(array_replace($times['buckets'], [$place => $times['buckets'][$place] + 1]));
        $counted['seconds'][$shape] = $times;
    }

    /** The route that a path belongs to; there are as many as there are routes, and one for everything else. */
    private function shape(string $method, string $path): string
    {
        if (!str_starts_with($path, '/api/')) {
            return match (true) {
                str_starts_with($path, '/build/') => 'the program',
                str_starts_with($path, '/shared/') => 'a shared report',
                $path === '/up', $path === '/metrics' => $path,
                default => 'a page',
            };
        }
        if (count($this->shapes) > 5000) {
            $this->shapes = [];
        }

        return $this->shapes["{$method} {$path}"] ??= self::route($method, substr($path, 1));
    }

    private static function route(string $method, string $path): string
    {
        $parts = explode('/', $path);
        foreach (Route::getRoutes()->get($method) as $route) {
            $of = explode('/', $route->uri());
            if (count($of) === count($parts) && !str_contains($route->uri(), '{any?}')) {
                foreach ($of as $place => $part) {
                    if ($part !== $parts[$place] && !str_starts_with($part, '{')) {
                        continue 2;
                    }
                }

                return "/{$route->uri()}";
            }
        }

        return 'nothing there is';
    }
}
