<?php

declare(strict_types=1);

namespace App\Store;

use Closure;
use Illuminate\Support\Facades\Cache;

/**
 * How far an answer is that somebody waits for. Whoever asks gives it a name; what takes long tells between its pieces how many are done,
 * others look that up under the name, and say there that it is to stop.
 *
 * Cost  nothing for what is answered at once; of what takes longer two questions to the cache each time it tells.
 */
final class Underway
{
    private const FIRST_AFTER_SECONDS = 0.5;
    private const EVERY_SECONDS = 0.4;
    private const KEPT_SECONDS = 300;

    private static ?string $name = null;
    private static float $next = 0.0;
    private static bool $hasTold = false;
    /** @var array{string, int, int}|null what is being done of which this is a part, and how many parts of how many are done */
    private static ?array $within = null;

    /**
     * @template T
     *
     * @param Closure(): T $work
     *
     * @return T
     */
    public static function named(string $name, Closure $work): mixed
    {
        self::$name = $name;
        self::$next = microtime(true) + self::FIRST_AFTER_SECONDS;
        self::$hasTold = false;
        self::$within = null;
        try {
            return $work();
        } finally {
            self::$name = self::$within = null;
            if (self::$hasTold) {
                Cache::forget(self::key($name));
                Cache::forget(self::stopKey($name));
            }
        }
    }

    /**
     * @param string $what is done, in words
     * @param int    $of   how many pieces there are
     *
     * @throws Stopped
     */
    public static function tell(string $what, int $done, int $of): void
    {
        if (self::$name === null || microtime(true) < self::$next) {
            return;
        }
        self::$next = microtime(true) + self::EVERY_SECONDS;
        if (self::$within !== null) {
            [$what, $done, $of] = [self::$within[0], self::$within[1] * $of + $done, self::$within[2] * $of];
        }
        if (Cache::get(self::stopKey(self::$name)) !== null) {
            throw new Stopped();
        }
        Cache::put(self::key(self::$name), ['what' => $what, 'done' => $done, 'of' => $of], self::KEPT_SECONDS);
        self::$hasTold = true;
    }

    /**
     * The same of one of several long works: what is told until the next one is a share of this.
     *
     * @throws Stopped
     */
    public static function part(string $what, int $done, int $of): void
    {
        self::$within = null;
        self::tell($what, $done, $of);
        self::$within = [$what, $done, $of];
    }

    /**
     * The same pieces, told of as they are taken.
     *
     * @template K
     * @template V
     *
     * @param iterable<K, V> $pieces
     *
     * @return iterable<K, V>
     *
     * @throws Stopped
     */
    public static function through(string $what, iterable $pieces, int $of): iterable
    {
        $done = 0;
        foreach ($pieces as $key => $piece) {
            self::tell($what, $done++, $of);
            yield $key => $piece;
        }
    }

    /** @return array{what: string, done: int, of: int}|null null before anything is told, and after its end */
    public static function of(string $name): ?array
    {
        $told = Cache::get(self::key($name));

        return is_array($told) && is_string($told['what'] ?? null) && is_int($told['done'] ?? null) && is_int($told['of'] ?? null)
            ? ['what' => $told['what'], 'done' => $told['done'], 'of' => $told['of']]
            : null;
    }

    public static function stop(string $name): void
    {
        Cache::put(self::stopKey($name), true, self::KEPT_SECONDS);
    }

    private static function key(string $name): string
    {
        return "underway-{$name}";
    }

    private static function stopKey(string $name): string
    {
        return "underway-stop-{$name}";
    }
}
