<?php

declare(strict_types=1);

return [
    // Whether anybody may make an account; otherwise only whoever runs the server (ops/artisan tally:account).
    'register' => filter_var(env('ACCOUNTS_REGISTER', env('ROWTALLY_DEMO', false)), FILTER_VALIDATE_BOOLEAN),
    // Domains that addresses of new accounts are of, set apart by commas; none = any.
    'domains' => (string) env('ACCOUNTS_DOMAINS', ''),
];
