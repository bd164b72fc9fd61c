<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Values\Figure;

/** The figures of a comparison under their keys, as the API and the command line give them; and why some have no value. */
final class ComparisonFigures
{
    /** @var array<string, string> by the path of the key, such as ratio.mean */
    private array $undefined = [];

    /** @return array{figures: array<string, mixed>, undefined: array<string, string>} */
    public static function ofGroups(ComparedGroups $compared): array
    {
        $own = new self();
        $figures = ['n' => array_map(static fn(Figure $figure): int|float|null => $figure->number(), $compared->sizes())];
        foreach ([Measure::Mean, Measure::Median, Measure::Range, Measure::Sd, Measure::Iqr] as $measure) {
            $figures[$measure->value] = $own->pair($measure->value, $compared->pair($measure));
        }
        $figures['difference'] = $figures['ratio'] = $figures['percent'] = $figures['deciles'] = [];
        foreach (Measure::cases() as $measure) {
            $figures['difference'][$measure->value] = $own->value("difference.{$measure->value}", $compared->difference($measure));
        }
        foreach ([Measure::Mean, Measure::Median, Measure::Range, Measure::Sd, Measure::Iqr] as $measure) {
            $figures['ratio'][$measure->value] = $own->value("ratio.{$measure->value}", $compared->ratio($measure));
        }
        foreach ([Measure::Mean, Measure::Median] as $measure) {
            $figures['percent'][$measure->value] = $own->value("percent.{$measure->value}", $compared->percent($measure));
        }
        $figures['interval'] = $own->interval($compared->interval(), $compared->basis()->level);
        $figures['hedges_g'] = $own->value('hedges_g', $compared->hedgesG());
        $figures['superiority'] = $own->value('superiority', $compared->superiority());
        foreach (range(1, 9) as $tenth) {
            $figures['deciles'][(string) (10 * $tenth)] = $own->value('deciles.' . 10 * $tenth, $compared->atTenth($tenth));
        }

        return ['figures' => $figures, 'undefined' => $own->undefined];
    }

    /** @return array{figures: array<string, mixed>, undefined: array<string, string>} */
    public static function ofPairs(ComparedPairs $compared): array
    {
        $own = new self();
        [$first, $second] = $compared->means();
        $figures = [
            'rows' => $compared->rowCount()->number(),
            'n' => $compared->size()->number(),
            'left_out' => $compared->leftOut()->number(),
            'mean_first' => $own->value('mean_first', $first),
            'mean_second' => $own->value('mean_second', $second),
        ];
        foreach (['mean', 'median', 'min', 'max', 'sd', 'q1', 'q3'] as $key) {
            $figures[$key] = $own->value($key, $compared->ofChanges(Catalogue::chosen([$key])[0]));
        }
        foreach (['rose' => $compared->rose(), 'fell' => $compared->fell(), 'stayed' => $compared->stayed()] as $key => $rows) {
            $figures[$key] = $compared->counted($rows)->number();
        }
        $figures['interval'] = $own->interval($compared->interval(), $compared->basis()->level);
        $figures['standardised_change'] = $own->value('standardised_change', $compared->standardisedChange());
        $figures['correlation'] = $own->value('correlation', $compared->correlation());

        return ['figures' => $figures, 'undefined' => $own->undefined];
    }

    private function value(string $path, Figure $figure): int|float|null
    {
        if ($figure->reason !== null) {
            $this->undefined[$path] = $figure->reason->value;
        }

        return $figure->number();
    }

    /**
     * @param list<Figure> $pair
     *
     * @return list<int|float|null>
     */
    private function pair(string $path, array $pair): array
    {
        foreach ($pair as $figure) {
            $this->value($path, $figure);
        }

        return array_map(static fn(Figure $figure): int|float|null => $figure->number(), $pair);
    }

    /** @return array{level: float, low: int|float|null, high: int|float|null, df: float|null, se: int|float|null}|null */
    private function interval(Interval $interval, string $level): ?array
    {
        $low = $this->value('interval', $interval->low);

        return $low === null ? null : ['level' => (float) $level, 'low' => $low, 'high' => $interval->high->number(), 'df' => $interval->degrees, 'se' => $interval->standardError->number()];
    }
}
