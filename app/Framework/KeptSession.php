<?php

declare(strict_types=1);

namespace App\Framework;

/** Where and when somebody is signed in. */
final readonly class KeptSession
{
    public function __construct(
        /** its own name, which would open it */
        public string $name,
        public ?string $address,
        public string $agent,
        public int $lastSeen,
    ) {}
}
