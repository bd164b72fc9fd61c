<?php

declare(strict_types=1);

namespace App\Framework;

/** Where sessions are kept, asked by account. */
interface KeptSessions
{
    /** @return list<KeptSession> the latest first */
    public function of(int $userId): array;

    /** @return bool whether there was one to end */
    public function end(int $userId, string $name): bool;

    public function endAll(int $userId): void;

    /** Removes those that are over. */
    public function sweep(): void;
}
