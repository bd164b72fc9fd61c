<?php

declare(strict_types=1);

/**
 * What nearly every request needs, compiled and linked once when the web server's PHP starts instead of looked up by each request.
 * Of the classes that the autoloader knows, those of these rooms; what they need from elsewhere comes as ever.
 */
const ROOMS = [
    'App\Accounts\\', 'App\Drawing\\', 'App\Files\\', 'App\Framework\\', 'App\Http\\', 'App\Models\\', 'App\Policies\\', 'App\Providers\\', 'App\Report\\', 'App\Store\\', 'RowTally\Core\\', 'Brick\Math\\', 'Carbon\\',
    'Dotenv\\', 'Illuminate\Auth\\', 'Illuminate\Cache\\', 'Illuminate\Config\\', 'Illuminate\Container\\', 'Illuminate\Contracts\\',
    'Illuminate\Cookie\\', 'Illuminate\Database\\', 'Illuminate\Encryption\\', 'Illuminate\Events\\', 'Illuminate\Filesystem\\',
    'Illuminate\Foundation\\', 'Illuminate\Hashing\\', 'Illuminate\Http\\', 'Illuminate\Log\\', 'Illuminate\Pipeline\\',
    'Illuminate\Queue\\', 'Illuminate\Routing\\', 'Illuminate\Session\\', 'Illuminate\Support\\', 'Illuminate\Testing\\',
    'Illuminate\Translation\\', 'Illuminate\Validation\\', 'Illuminate\View\\', 'Laravel\Sanctum\\', 'Laravel\SerializableClosure\\', 'PhpOption\\', 'Psr\\',
    'Symfony\Component\Clock\\', 'Symfony\Component\HttpFoundation\\', 'Symfony\Component\HttpKernel\\', 'Symfony\Component\Routing\\',
    'Symfony\Component\VarDumper\\', 'Symfony\Polyfill\\',
];

(static function (): void {
    /** @var array<string, string> $files by class */
    $files = require dirname(__DIR__) . '/vendor/composer/autoload_classmap.php';
    foreach ($files as $class => $file) {
        foreach (ROOMS as $room) {
            if (str_starts_with($class, $room)) {
                opcache_compile_file($file);
                break;
            }
        }
    }
})();
