<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

/** The variables that a formula may speak of. */
final readonly class Names
{
    /** @param array<array-key, array{kind: Kind, decimals: int|null}> $variables by name */
    public function __construct(private array $variables) {}

    public function has(string $name): bool
    {
        return isset($this->variables[$name]);
    }

    public function kind(string $name): Kind
    {
        return $this->variables[$name]['kind'];
    }

    public function decimals(string $name): ?int
    {
        return $this->variables[$name]['decimals'];
    }

    /** @return list<string> names within two letters of this one, the nearest first */
    public function near(string $name): array
    {
        return self::nearest($name, array_map(strval(...), array_keys($this->variables)));
    }

    /**
     * @param list<string> $all
     *
     * @return list<string>
     */
    public static function nearest(string $name, array $all): array
    {
        $distances = [];
        foreach ($all as $other) {
            $distance = strlen($other) > 100 || strlen($name) > 100 ? 99 : levenshtein(mb_strtolower($name), mb_strtolower($other));
            if ($distance <= min(2, intdiv(strlen($name), 2)) || mb_strtolower($other) === mb_strtolower($name)) {
                $distances[$other] = $distance;
            }
        }
        asort($distances);

        return array_map(strval(...), array_slice(array_keys($distances), 0, 2));
    }
}
