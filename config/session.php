<?php

declare(strict_types=1);

return [
    // Or redis-when-changed.
    'driver' => env('SESSION_DRIVER', 'database-when-changed'),
    'lifetime' => 60 * 24 * 14,
    // What is over is removed between jobs (`KeptSessions::sweep`), not by whoever asks at the wrong moment.
    'lottery' => [0, 100],
    'cookie' => env('SESSION_COOKIE', 'rowtally_session'),
    'same_site' => 'lax',
    'http_only' => true,
    'secure' => (bool) env('SESSION_SECURE', str_starts_with((string) env('APP_URL', ''), 'https:')),
];
