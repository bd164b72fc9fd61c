<?php

declare(strict_types=1);

return [
    // Any disk that the framework knows: FILES_DISK names it, and its settings stand below.
    'default' => env('FILES_DISK', 'local'),
    'disks' => [
        'local' => [
            'driver' => 'local',
            // Many nodes share a folder.
            'root' => env('FILES_ROOT') ?? storage_path('app/private'),
            'throw' => false,
            // PHP and its workers are users of one group (ops/lib.sh): what one makes the other reads, changes and takes away.
            'permissions' => ['file' => ['public' => 0660, 'private' => 0660], 'dir' => ['public' => 02770, 'private' => 02770]],
        ],
    ],
];
