<?php

declare(strict_types=1);

namespace Tests\App;

use Composer\InstalledVersions;
use FilesystemIterator;
use PhpToken;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use ReflectionExtension;
use SplFileInfo;

/** There is no lock file: what matters is pinned in composer.json, and what is installed is what is pinned. */
final class DependenciesTest extends TestCase
{
    private const ROOT = __DIR__ . '/../../';
    /** They cannot be left out of PHP. */
    private const ALWAYS = ['core', 'date', 'hash', 'json', 'pcre', 'random', 'reflection', 'spl', 'standard'];
    /** Whatever answers a request, keeps a session or secret, or touches files. */
    private const PINNED = ['laravel/framework', 'league/flysystem', 'monolog/monolog', 'nesbot/carbon', 'symfony/http-foundation', 'symfony/http-kernel', 'symfony/mime', 'symfony/process', 'symfony/routing', 'vlucas/phpdotenv'];

    public function test_what_is_installed_is_what_is_pinned(): void
    {
        $packages = array_filter([...self::composer('require'), ...self::composer('require-dev')], static fn(string $package): bool => str_contains($package, '/'), ARRAY_FILTER_USE_KEY);
        foreach ($packages as $package => $version) {
            self::assertMatchesRegularExpression('/^\d+(\.\d+)+$/D', $version, "{$package} must be pinned to one version");
            self::assertSame($version, ltrim((string) InstalledVersions::getPrettyVersion($package), 'v'), $package);
        }
        self::assertSame([], array_diff(self::PINNED, array_keys($packages)));
    }

    public function test_every_extension_that_the_code_calls_is_declared(): void
    {
        [$functions, $classes] = [[], []];
        foreach (get_loaded_extensions() as $extension) {
            $functions += array_fill_keys((array) get_extension_funcs($extension), strtolower($extension));
            $classes += array_fill_keys((new ReflectionExtension($extension))->getClassNames(), strtolower($extension));
        }
        $undeclared = [];
        foreach (['core', 'app', 'bootstrap', 'config', 'database', 'public/index.php'] as $place) {
            foreach (self::calls(self::ROOT . $place) as $name => $isCalled) {
                $extension = ($isCalled ? $functions[strtolower($name)] ?? null : null) ?? $classes[$name] ?? null;
                if ($extension !== null && !in_array($extension, self::ALWAYS, true) && !isset(self::composer('require')["ext-{$extension}"])) {
                    $undeclared[$name] = $extension;
                }
            }
        }
        self::assertSame([], $undeclared);
    }

    /** @return array<string, string> */
    private static function composer(string $part): array
    {
        /** @var array<string, array<string, string>> $composer */
        $composer = json_decode((string) file_get_contents(self::ROOT . 'composer.json'), true, flags: JSON_THROW_ON_ERROR);

        return $composer[$part];
    }

    /** @return iterable<string, bool> names in the code that are no methods, and whether a bracket follows */
    private static function calls(string $place): iterable
    {
        /** @var iterable<SplFileInfo> $files */
        $files = is_file($place) ? [new SplFileInfo($place)] : new RecursiveIteratorIterator(new RecursiveDirectoryIterator($place, FilesystemIterator::SKIP_DOTS));
        foreach ($files as $file) {
            $tokens = $file->getExtension() === 'php' ? PhpToken::tokenize((string) file_get_contents($file->getPathname())) : [];
            foreach ($tokens as $i => $token) {
                if ($token->is([T_STRING, T_NAME_FULLY_QUALIFIED]) && !in_array($tokens[$i - 1]->text ?? '', ['->', '?->', '::'], true)) {
                    yield ltrim($token->text, '\\') => ($tokens[$i + 1]->text ?? '') === '(';
                }
            }
        }
    }
}
