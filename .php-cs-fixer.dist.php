<?php

declare(strict_types=1);

use PhpCsFixer\Config;
use PhpCsFixer\Finder;

return (new Config())
    ->setRiskyAllowed(true)
    ->setCacheFile(__DIR__ . '/var/cache/php-cs-fixer')
    ->setFinder(Finder::create()
        ->in([__DIR__ . '/app', __DIR__ . '/bench', __DIR__ . '/bootstrap', __DIR__ . '/config', __DIR__ . '/core', __DIR__ . '/database', __DIR__ . '/demo', __DIR__ . '/public', __DIR__ . '/routes', __DIR__ . '/tests'])
        ->append([__FILE__, __DIR__ . '/artisan', __DIR__ . '/demo/generate'])
        ->notPath('cache')
        ->exclude(['build', 'node_modules']))
    ->setRules([
        '@PER-CS' => true,
        'declare_strict_types' => true,
        'no_unused_imports' => true,
        'ordered_imports' => true,
        'strict_comparison' => true,
        'strict_param' => true,
        'trailing_comma_in_multiline' => ['elements' => ['arrays', 'arguments', 'parameters', 'match']],
        'phpdoc_align' => ['align' => 'vertical'],
        'phpdoc_trim' => true,
        'single_quote' => true,
        'static_lambda' => true,
        'void_return' => true,
    ]);
