<?php

declare(strict_types=1);

return [
    // A token is looked for by itself: sessions are the guard `web`'s.
    'guard' => [],
    // Each token has an end of its own.
    'expiration' => null,
    // By which programs that look for secrets in files know one.
    'token_prefix' => 'rowtally_',
    // Noted by App\Accounts\Tokens, once a minute.
    'last_used_at' => false,
    'routes' => false,
];
