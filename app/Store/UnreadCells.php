<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;

/** The cells of a variable that could not be read, by row. */
final class UnreadCells
{
    /** @return list<array{row: int, text: string}> the first of them, rows from 1 */
    public static function of(Variable $variable, int $revision, int $most): array
    {
        $found = [];
        $before = 0;
        foreach (StoredColumns::rows($variable->id, $revision, ['rows', 'unread']) as $chunk) {
            foreach ($chunk->unread ?? [] as $offset => $text) {
                $found[] = ['row' => $before + $offset + 1, 'text' => $text];
                if (count($found) === $most) {
                    return $found;
                }
            }
            $before += $chunk->rows;
        }

        return $found;
    }
}
