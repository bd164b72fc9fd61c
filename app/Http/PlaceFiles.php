<?php

declare(strict_types=1);

namespace App\Http;

/**
 * The files of the front end that a place needs beside those of all places: fetched with them, and not one after the other as each is found to
 * be needed.
 */
final class PlaceFiles
{
    /** What each place shows at first, by the last word of its address. */
    private const PLACES = [
        'profile' => ['profile/ProfilePage.tsx', 'profile/Sheet.tsx'],
        'rows' => ['rows/RowsPage.tsx'],
        'compare' => ['compare/ComparePage.tsx'],
        'report' => ['report/ReportPage.tsx'],
        'datasets' => ['datasets/DatasetsPage.tsx'],
        'account' => ['account/AccountPage.tsx'],
        'sign-in' => ['account/SignInPage.tsx'],
    ];

    /** @return list<string> sources of the front end that are named here */
    public static function sources(): array
    {
        return array_merge(...array_values(self::PLACES));
    }

    /** @return list<string> their addresses */
    public static function of(string $path): array
    {
        $manifest = self::manifest();
        $found = [];
        foreach (self::PLACES[basename($path)] ?? [] as $source) {
            self::gather("resources/js/{$source}", $manifest, $found);
        }

        return array_keys($found);
    }

    /**
     * @param array<array-key, mixed> $manifest
     * @param array<string, true>     $found
     */
    private static function gather(string $name, array $manifest, array &$found): void
    {
        $chunk = $manifest[$name] ?? null;
        // What all places need is asked for by the page itself.
        if (!is_array($chunk) || !is_string($chunk['file'] ?? null) || ($chunk['isEntry'] ?? false) === true || isset($found["/build/{$chunk['file']}"])) {
            return;
        }
        $found["/build/{$chunk['file']}"] = true;
        foreach (is_array($chunk['imports'] ?? null) ? $chunk['imports'] : [] as $import) {
            if (is_string($import)) {
                self::gather($import, $manifest, $found);
            }
        }
    }

    /** @return array<array-key, mixed> empty where the front end is not built */
    private static function manifest(): array
    {
        $text = is_file($path = public_path('build/manifest.json')) ? file_get_contents($path) : false;
        $manifest = $text === false ? null : json_decode($text, true);

        return is_array($manifest) ? $manifest : [];
    }
}
