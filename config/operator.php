<?php

declare(strict_types=1);

return [
    // Whoever shows it may read /metrics; none = there is no such address.
    'metrics' => (string) env('METRICS_SECRET', ''),
    // As ops/nginx.conf.template writes it.
    'access_log' => env('ROWTALLY_LOG', storage_path('logs')) . '/access.log',
];
