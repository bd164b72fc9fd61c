<?php

declare(strict_types=1);

namespace App\Framework;

use Closure;
use Illuminate\Redis\Connections\Connection;
use SessionHandlerInterface;

/**
 * Sessions in Redis, for many application nodes: each a hash that is gone after its lifetime, and for each account a set of the names of
 * its sessions. Written, as in the database, only when something has changed, and every few minutes so that they stay alive.
 */
final class RedisSession implements SessionHandlerInterface, KeptSessions, AliveSession
{
    private const MOST = 100;

    private ?string $readName = null;
    private string $readData = '';
    private int $readActivity = 0;

    /**
     * @param Closure(): Connection                                                 $redis connected to when it is first asked
     * @param Closure(): array{user: int|null, address: string|null, agent: string} $who   asks now
     */
    public function __construct(private readonly Closure $redis, private readonly int $lifetimeSeconds, private readonly Closure $who) {}

    public function open(string $path, string $name): bool
    {
        return true;
    }

    public function close(): bool
    {
        return true;
    }

    public function read(string $id): string
    {
        $session = $this->all($id);
        $this->readName = $session === [] ? null : $id;
        $this->readData = $session['payload'] ?? '';
        $this->readActivity = (int) ($session['last'] ?? 0);

        return $this->readData;
    }

    public function write(string $id, string $data): bool
    {
        if ($this->readName === $id && $this->readData === $data && $this->isAlive()) {
            return true;
        }
        ['user' => $user, 'address' => $address, 'agent' => $agent] = ($this->who)();
        $redis = ($this->redis)();
        $redis->command('hmset', [self::key($id), ['payload' => $data, 'user' => (string) $user, 'address' => (string) $address, 'agent' => $agent, 'last' => (string) time()]]);
        $redis->command('expire', [self::key($id), $this->lifetimeSeconds]);
        if ($user !== null) {
            $redis->command('sadd', [self::index($user), [$id]]);
            $redis->command('expire', [self::index($user), $this->lifetimeSeconds]);
        }

        return true;
    }

    public function isAlive(): bool
    {
        return $this->readName !== null && time() - $this->readActivity < self::TOUCH_AFTER_SECONDS;
    }

    public function destroy(string $id): bool
    {
        $user = $this->all($id)['user'] ?? '';
        if ($user !== '') {
            ($this->redis)()->command('srem', [self::index((int) $user), $id]);
        }
        ($this->redis)()->command('del', [[self::key($id)]]);

        return true;
    }

    public function gc(int $max_lifetime): int
    {
        return 0;
    }

    /** They are gone by themselves. */
    public function sweep(): void {}

    public function of(int $userId): array
    {
        $sessions = [];
        foreach ($this->names($userId) as $name) {
            $session = $this->all($name);
            if ($session === []) {
                ($this->redis)()->command('srem', [self::index($userId), $name]);
            } else {
                $sessions[] = new KeptSession($name, ($session['address'] ?? '') === '' ? null : $session['address'], $session['agent'] ?? '', (int) ($session['last'] ?? 0));
            }
        }
        usort($sessions, static fn(KeptSession $a, KeptSession $b): int => $b->lastSeen <=> $a->lastSeen);

        return array_slice($sessions, 0, self::MOST);
    }

    public function end(int $userId, string $name): bool
    {
        $isTheirs = ($this->all($name)['user'] ?? '') === (string) $userId;

        return $isTheirs && $this->destroy($name);
    }

    public function endAll(int $userId): void
    {
        foreach ($this->names($userId) as $name) {
            $this->destroy($name);
        }
    }

    /** @return list<string> */
    private function names(int $userId): array
    {
        $names = ($this->redis)()->command('smembers', [self::index($userId)]);

        return is_array($names) ? array_values(array_filter($names, is_string(...))) : [];
    }

    /** @return array<string, string> */
    private function all(string $id): array
    {
        $session = ($this->redis)()->command('hgetall', [self::key($id)]);

        return is_array($session) ? array_filter($session, static fn(mixed $value, int|string $key): bool => is_string($value) && is_string($key), ARRAY_FILTER_USE_BOTH) : [];
    }

    private static function key(string $id): string
    {
        return "session:{$id}";
    }

    private static function index(int $userId): string
    {
        return "sessions-of:{$userId}";
    }
}
