<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Support\Str;

/** Short names for addresses, made from the variables' own names: "Honey yield" is `honey-yield`. */
final class VariableKeys
{
    private const LONGEST = 60;

    /**
     * A key for one more variable.
     *
     * @param list<string> $taken
     */
    public static function beside(array $taken, string $name): string
    {
        $slug = substr(Str::slug($name), 0, self::LONGEST);
        // A name in another script may leave nothing; its place names it then.
        // One that is a whole number would become one wherever it names a place in a list.
        $wanted = $key = match (true) {
            $slug === '' => 'column-' . (count($taken) + 1),
            ctype_digit($slug) => "column-{$slug}",
            default => $slug,
        };
        for ($number = 2; in_array($key, $taken, true); ++$number) {
            $key = "{$wanted}-{$number}";
        }

        return $key;
    }

    /**
     * @param list<string> $names
     *
     * @return list<string> in the same order, no two alike
     */
    public static function for(array $names): array
    {
        $keys = [];
        foreach ($names as $name) {
            $keys[] = self::beside($keys, $name);
        }

        return $keys;
    }
}
