<?php

declare(strict_types=1);

return [
    // The same limit stands in ops/nginx.conf and ops/php.d; a larger file is refused with a sentence.
    'max_upload_bytes' => 512 * 1024 * 1024,
    // Of a file that comes in parts, and of each of them: a part is held in memory until its sum is known to be right.
    'max_bytes_in_parts' => 4 * 1024 * 1024 * 1024,
    'most_part_bytes' => 16 * 1024 * 1024,
    // Longer ones are read by several workers; shorter ones sooner by one worker with a second process.
    'shares_from_bytes' => 64 * 1024 * 1024,
    // So many files of one account are on their way at once, and so long one may rest.
    'most_uploads' => 20,
    'upload_rests_seconds' => 24 * 3600,
];
