<?php

declare(strict_types=1);

use Illuminate\Notifications\NotificationServiceProvider;
use Illuminate\Pagination\PaginationServiceProvider;
use Illuminate\Support\ServiceProvider;

return [
    // Nothing is sent to anybody and nothing is shown in pages of pages.
    'providers' => ServiceProvider::defaultProviders()->except([NotificationServiceProvider::class, PaginationServiceProvider::class])->toArray(),
    'name' => 'Row Tally',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    // Whether the demo account, whose password everybody knows, is there and may sign in.
    // Other nodes work on the same data: at its start none takes from them what they are at.
    'is_one_of_many' => (bool) env('ROWTALLY_ONE_OF_MANY', false),
    'demo' => (bool) env('ROWTALLY_DEMO', false),
    // An account that has all of its share waits so long for a part of it.
    'seconds_for_a_share' => 20,
    // Rows that go along with a report, as CSV.
    'row_bytes_of_a_report' => 32 << 20,
    // Up to so many values of a variable, some 64 MB, wait in memory until the answer is sent and they can be kept in order.
    'values_held' => 4_000_000,
    'url' => env('APP_URL', 'http://127.0.0.1'),
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    'maintenance' => ['driver' => 'file'],
];
