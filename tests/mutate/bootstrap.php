<?php

declare(strict_types=1);

// The core with one of its files changed: MUTANT_OF says which, MUTANT_AS where the changed one is.
require dirname(__DIR__) . '/Core/bootstrap.php';

$original = (string) getenv('MUTANT_OF');
$changed = (string) getenv('MUTANT_AS');
spl_autoload_register(static function (string $class) use ($original, $changed): void {
    if ($class === 'RowTally\\Core\\' . str_replace('/', '\\', substr($original, strlen('core/'), -strlen('.php')))) {
        require $changed;
    }
}, prepend: true);
