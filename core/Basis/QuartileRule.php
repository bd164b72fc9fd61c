<?php

declare(strict_types=1);

namespace RowTally\Core\Basis;

/**
 * How quartiles are cut.
 *
 * When        halves are what is taught and done by hand; definition 7 is what much software does, 6 is for percentiles of a sample, 8 is the one
 *             that Hyndman and Fan recommend.
 * Misleads    Every rule is right, and they differ where values are few: a quartile without its rule cannot be checked.
 * Source  the nine definitions of Hyndman & Fan, Sample Quantiles in Statistical Packages, The American Statistician 50 (1996)
 *         361–365, and the two ways of taking the medians of the halves.
 */
enum QuartileRule: string
{
    case HalvesExcluded = 'halves-excluded';
    case HalvesIncluded = 'halves-included';
    case Hf1 = 'hf1';
    case Hf2 = 'hf2';
    case Hf3 = 'hf3';
    case Hf4 = 'hf4';
    case Hf5 = 'hf5';
    case Hf6 = 'hf6';
    case Hf7 = 'hf7';
    case Hf8 = 'hf8';
    case Hf9 = 'hf9';

    /** A few words that fit after "quartiles by". */
    public function words(): string
    {
        return match ($this) {
            self::HalvesExcluded => 'halves, middle left out',
            self::HalvesIncluded => 'halves, middle shared',
            self::Hf1 => 'definition 1, steps',
            self::Hf2 => 'definition 2, steps averaged',
            self::Hf3 => 'definition 3, nearest value',
            self::Hf4 => 'definition 4, position np',
            self::Hf5 => 'definition 5, position np + ½',
            self::Hf6 => 'definition 6, position (n + 1)p',
            self::Hf7 => 'definition 7, position (n − 1)p + 1',
            self::Hf8 => 'definition 8, position (n + ⅓)p + ⅓',
            self::Hf9 => 'definition 9, position (n + ¼)p + ⅜',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::HalvesExcluded => 'Medians of the lower and the upper half; with an odd count the middle value belongs to neither.',
            self::HalvesIncluded => 'Medians of the lower and the upper half; with an odd count the middle value belongs to both.',
            self::Hf1 => 'The smallest value that at least a share p of the values does not exceed.',
            self::Hf2 => 'As definition 1, but where the share is met exactly, the mean of that value and the next.',
            self::Hf3 => 'The value whose rank is nearest to np; a tie goes to the even rank.',
            self::Hf4 => 'On the straight line between neighbours, at rank np.',
            self::Hf5 => 'On the straight line between neighbours, at rank np + ½.',
            self::Hf6 => 'On the straight line between neighbours, at rank (n + 1)p.',
            self::Hf7 => 'On the straight line between neighbours, at rank (n − 1)p + 1.',
            self::Hf8 => 'On the straight line between neighbours, at rank (n + ⅓)p + ⅓; nearly median-unbiased for any distribution.',
            self::Hf9 => 'On the straight line between neighbours, at rank (n + ¼)p + ⅜; nearly unbiased for normal data.',
        };
    }

    /** Where the rule is defined, for somebody who checks. */
    public function source(): string
    {
        return match ($this) {
            self::HalvesExcluded => 'Moore & McCabe, Introduction to the Practice of Statistics.',
            self::HalvesIncluded => 'Tukey, Exploratory Data Analysis (1977): hinges.',
            default => 'Hyndman & Fan, The American Statistician 50 (1996) 361–365.',
        };
    }
}
