<?php

declare(strict_types=1);

namespace App\Framework;

use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Support\Arr;

/**
 * Sessions in the database, written only when something in them has changed, and every few minutes so that they stay alive.
 * Whose a session is is read along with it (see `SessionUsers`).
 */
final class UnchangedSession extends DatabaseSessionHandler implements AliveSession
{
    private ?string $readData = null;
    private int $readActivity = 0;
    /** @var array<string, mixed>|null */
    private ?array $user = null;

    /** What is read needs no connection that can write: most answers then need none at all. */
    public function read($sessionId): string
    {
        $session = (object) $this->connection->selectOne('select sessions.payload, sessions.last_activity, users.* from sessions left join users on users.id = sessions.user_id where sessions.id = ?', [$sessionId]);
        /** @var array<string, mixed> $user */
        $user = Arr::except((array) $session, ['payload', 'last_activity']);
        $this->user = isset($user['id']) ? $user : null;
        $payload = $session->payload ?? null;
        $this->exists = is_string($payload);
        $this->readActivity = is_numeric($session->last_activity ?? null) ? (int) $session->last_activity : 0;
        $this->readData = is_string($payload) && !$this->expired($session) ? (string) base64_decode($payload, true) : '';

        return $this->readData;
    }

    /** @return array<string, mixed>|null the account that the session last read was written for, as it stands in the database */
    public function user(): ?array
    {
        return $this->user;
    }

    /** @param object $session as it was read */
    protected function expired($session): bool
    {
        return isset($session->last_activity) && $this->readActivity < time() - 60 * $this->minutes;
    }

    public function write($sessionId, $data): bool
    {
        return ($this->isAlive() && $data === $this->readData) || parent::write($sessionId, $data);
    }

    public function isAlive(): bool
    {
        return $this->exists && time() - $this->readActivity < self::TOUCH_AFTER_SECONDS;
    }
}
