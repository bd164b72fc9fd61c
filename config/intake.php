<?php

declare(strict_types=1);

return [
    // The same limit stands in ops/nginx.conf and ops/php.d; a larger file is refused with a sentence.
    'max_upload_bytes' => 512 * 1024 * 1024,
];
