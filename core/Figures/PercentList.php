<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Exception\NotUnderstood;

/**
 * Percentiles as a person types them: `5, 15, 50`, in percent. A number between 0 and 1 could be meant as a fraction, so it is
 * asked back; `0.15%` is not.
 */
final class PercentList
{
    /**
     * @return list<string> each as decimal text, no two alike
     *
     * @throws NotUnderstood
     */
    public static function of(string $text): array
    {
        $percents = [];
        foreach (array_filter(explode(' ', strtr($text, ",;\t\n", '    ')), static fn(string $word): bool => $word !== '') as $word) {
            $plain = rtrim($word, '%');
            $percent = (new Percentile($plain))->percent;
            if ($plain === $word && (float) $percent > 0.0 && (float) $percent < 1.0) {
                throw NotUnderstood::ambiguousPercent($percent);
            }
            $percents[$percent] = $percent;
        }

        return array_values($percents);
    }
}
