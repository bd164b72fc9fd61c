<?php

declare(strict_types=1);

namespace App\Operator;

use App\Models\User;

/** What stands against letting people at an installation: it is started in production only when nothing does. */
final class Production
{
    /** Whose password everybody knows. */
    public const DEMO = 'demo@rowtally.example';
    private const SHORTEST_SECRET = 16;

    /**
     * @param array<string, string> $secrets by the name of their setting
     * @param list<string>          $known   texts of files that everybody has: those of the program
     *
     * @return list<string> in words, with the remedy
     */
    public static function troubles(array $secrets, array $known): array
    {
        $troubles = [];
        if (config()->boolean('app.debug')) {
            $troubles[] = 'APP_DEBUG is on: errors would show what is inside to anybody. Take it out of the settings.';
        }
        if (config()->boolean('app.demo')) {
            $troubles[] = 'The demo is asked for (ROWTALLY_DEMO). Take it out of the settings.';
        }
        if (User::query()->where('email', self::DEMO)->exists()) {
            $troubles[] = 'The demo account is there, and everybody knows its password. Delete it with all that is its: ops/artisan tally:account ' . self::DEMO . ' --delete';
        }
        foreach ($secrets as $name => $secret) {
            if (strlen($secret) < self::SHORTEST_SECRET) {
                $troubles[] = "{$name} is missing or shorter than " . self::SHORTEST_SECRET . ' characters.';
                continue;
            }
            foreach ($known as $text) {
                if (str_contains($text, $secret)) {
                    $troubles[] = "{$name} stands in a file of the program, which everybody has. Set another one.";
                    break;
                }
            }
        }

        return $troubles;
    }
}
