<?php

declare(strict_types=1);

return [
    // Only the sign-in limiter uses it. What is derived from data is kept beside the data, see app/Store.
    'default' => env('CACHE_STORE', 'database'),
    'stores' => [
        'database' => ['driver' => 'database', 'connection' => 'mariadb', 'table' => 'cache', 'lock_table' => 'cache_locks'],
        'redis' => ['driver' => 'redis', 'connection' => 'cache', 'lock_connection' => 'default'],
        'array' => ['driver' => 'array'],
    ],
    'prefix' => 'rowtally',
];
