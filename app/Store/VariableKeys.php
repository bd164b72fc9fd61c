<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Support\Str;

/** Short names for addresses, made from the variables' own names: "Honey yield" is `honey-yield`. */
final class VariableKeys
{
    private const LONGEST = 60;

    /**
     * @param list<string> $names
     *
     * @return list<string> in the same order, no two alike
     */
    public static function for(array $names): array
    {
        $taken = [];
        $keys = [];
        foreach ($names as $i => $name) {
            $slug = substr(Str::slug($name), 0, self::LONGEST);
            // A name in another script may leave nothing; its place in the file names it then.
            $wanted = $key = $slug === '' ? 'column-' . ($i + 1) : $slug;
            for ($number = 2; isset($taken[$key]); ++$number) {
                $key = "{$wanted}-{$number}";
            }
            $taken[$key] = true;
            $keys[] = $key;
        }

        return $keys;
    }
}
