<?php

declare(strict_types=1);

return [
    'default' => 'single',
    'channels' => [
        // Letters, where no server for mail is named.
        'letters' => ['driver' => 'single', 'path' => storage_path('logs/letters.log'), 'level' => 'debug'],
        'single' => ['driver' => 'single', 'path' => storage_path('logs/app.log'), 'level' => env('LOG_LEVEL', 'warning')],
    ],
];
