<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * Labels that are probably one, written in several ways: alike but for case, blanks or punctuation, or one letter off.
 *
 * One letter off counts only for labels of four letters or more without a digit: "A1" and "A2", or "2023" and "2024", are two.
 *
 * Source  Levenshtein distance: Levenshtein, Soviet Physics Doklady 10 (1966) 707–710.
 * Cost    O(labels²) distances; there are at most 255 labels.
 */
final class NearLabels
{
    private const SHORTEST = 4;

    /**
     * @param list<string> $labels
     * @param list<int>    $counts how often each occurs
     *
     * @return list<array{from: string, to: string}> the rarer label and the commoner one that it may be meant to be
     */
    public static function of(array $labels, array $counts): array
    {
        $pairs = [];
        $order = array_keys($labels);
        usort($order, static fn(int $a, int $b): int => [$counts[$b] ?? 0, $a] <=> [$counts[$a] ?? 0, $b]);
        $taken = [];
        foreach ($order as $place => $i) {
            foreach (array_slice($order, 0, $place) as $j) {
                if (!isset($taken[$j]) && self::areNear($labels[$i], $labels[$j])) {
                    $pairs[] = ['from' => $labels[$i], 'to' => $labels[$j]];
                    $taken[$i] = true;
                    break;
                }
            }
        }

        return $pairs;
    }

    private static function areNear(string $a, string $b): bool
    {
        $plain = static fn(string $label): string => mb_strtolower(preg_replace('/[\s\p{P}]+/u', '', $label) ?? $label);
        if ($plain($a) === $plain($b) && $plain($a) !== '') {
            return true;
        }
        $letters = [mb_str_split(mb_strtolower($a)), mb_str_split(mb_strtolower($b))];
        if (min(count($letters[0]), count($letters[1])) < self::SHORTEST || preg_match('/\d/', $a . $b) === 1) {
            return false;
        }

        return self::isOneOff(...$letters);
    }

    /**
     * One letter changed, added, left out, or two neighbours swapped.
     *
     * @param list<string> $a
     * @param list<string> $b
     */
    private static function isOneOff(array $a, array $b): bool
    {
        if (abs(count($a) - count($b)) > 1) {
            return false;
        }
        $same = 0;
        while ($same < min(count($a), count($b)) && $a[$same] === $b[$same]) {
            ++$same;
        }
        $restA = array_slice($a, $same);
        $restB = array_slice($b, $same);

        return array_slice($restA, 1) === array_slice($restB, 1)
            || array_slice($restA, 1) === $restB
            || $restA === array_slice($restB, 1)
            || (count($restA) === count($restB) && array_slice($restA, 0, 2) === array_reverse(array_slice($restB, 0, 2)) && array_slice($restA, 2) === array_slice($restB, 2));
    }
}
