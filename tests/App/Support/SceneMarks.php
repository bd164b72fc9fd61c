<?php

declare(strict_types=1);

namespace Tests\App\Support;

use App\Drawing\Scene;

/** Looks for the marks of a scene. */
final class SceneMarks
{
    /** @return list<array<string, mixed>> those of a role, also in groups, in the order in which they are painted */
    public static function of(Scene $scene, string $role): array
    {
        $found = [];
        $look = static function (array $marks) use (&$look, &$found, $role): void {
            foreach ($marks as $mark) {
                if (($mark['role'] ?? null) === $role) {
                    $found[] = $mark;
                }
                $look($mark['marks'] ?? []);
            }
        };
        $look($scene->marks());

        return $found;
    }
}
