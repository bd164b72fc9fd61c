<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

/** Figures that are chosen together. */
enum FigureSet: string
{
    case Essentials = 'essentials';
    case FiveNumbers = 'five-number';
    case Spread = 'spread';
    case Shape = 'shape';
    case Everything = 'everything';

    public function words(): string
    {
        return match ($this) {
            self::Essentials => 'Essentials',
            self::FiveNumbers => 'Five-number summary',
            self::Spread => 'Spread',
            self::Shape => 'Shape and normality',
            self::Everything => 'Everything',
        };
    }

    /** @return list<string> keys, in the order of the catalogue */
    public function keys(): array
    {
        return match ($this) {
            self::Essentials => ['n', 'missing', 'mean', 'sd', 'variance', 'min', 'q1', 'median', 'q3', 'max', 'range', 'iqr', 'sum'],
            self::FiveNumbers => ['n', 'missing', 'min', 'q1', 'median', 'q3', 'max'],
            self::Spread => ['n', 'mean', 'sd', 'variance', 'cv', 'mean_absolute_deviation', 'median', 'mad', 'range', 'iqr', 'lower_fence', 'upper_fence', 'outliers_count'],
            self::Shape => [
                'n', 'mean', 'sd', 'median', 'mean_to_median', 'skewness', 'se_skewness', 'skewness_ratio', 'kurtosis', 'se_kurtosis', 'kurtosis_ratio',
                'within_1', 'within_2', 'within_3', 'shapiro_wilk_w', 'shapiro_wilk_p', 'lilliefors_d', 'lilliefors_p', 'anderson_darling_a2', 'anderson_darling_p',
            ],
            self::Everything => array_map(static fn(Statistic $statistic): string => $statistic->key(), Catalogue::all()),
        };
    }
}
