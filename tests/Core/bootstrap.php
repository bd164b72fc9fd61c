<?php

declare(strict_types=1);

// The core runs without the application: loading any class of the framework or of the application ends the run.
require dirname(__DIR__, 2) . '/vendor/autoload.php';

spl_autoload_register(static function (string $class): void {
    if (str_starts_with($class, 'Illuminate\\') || str_starts_with($class, 'App\\')) {
        throw new LogicException("A test of the core has loaded {$class}.");
    }
}, prepend: true);
