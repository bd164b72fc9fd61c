<?php

declare(strict_types=1);

namespace RowTally\Core\Comparison;

use Brick\Math\BigDecimal;
use Closure;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/** A comparison as it is shown, in the order in which people compare: how many, where they lie, how far they spread, all of it. */
final readonly class ComparisonLines
{
    private function __construct(private FigureText $display, private string $levelPercent) {}

    /**
     * @param array{Closure(BigDecimal): (string|null), Closure(BigDecimal): (string|null)}|null $labels what the rows of the first and of the second with a value are called
     *
     * @return non-empty-list<array{title: string, lines: list<ComparisonLine>}>
     */
    public static function ofGroups(ComparedGroups $compared, FigureText $display, string $first, ?array $labels = null): array
    {
        $own = new self($display, $compared->basis()->levelPercent());
        [$ofFirst, $ofSecond] = $compared->sizes();
        $superiority = $compared->superiority();
        $hedges = $compared->hedgesG();

        return [
            ['title' => 'How many', 'lines' => [new ComparisonLine('n', 'With a value', self::count($ofFirst), self::count($ofSecond), null)]],
            ['title' => 'Where they lie', 'lines' => [
                $own->line($compared, Measure::Mean, 'Mean'),
                $own->interval($compared->interval(), 'interval', 'of the difference'),
                $own->line($compared, Measure::Median, 'Median'),
            ]],
            ['title' => 'How far they spread, coarse to fine', 'lines' => [
                $own->line($compared, Measure::Range, 'Range'),
                $own->ends($compared, 'min', 'Smallest', $labels),
                $own->ends($compared, 'max', 'Largest', $labels),
                $own->line($compared, Measure::Iqr, 'Interquartile range'),
                $own->line($compared, Measure::Sd, 'Standard deviation'),
            ]],
            ['title' => 'All of it', 'lines' => [
                new ComparisonLine('superiority', "Above one of {$first}, of 100 draws", null, null, $superiority->value === null ? null : self::draws((float) $superiority->number()), null, $superiority->reason?->value, $superiority->number()),
                new ComparisonLine('hedges_g', 'Difference in pooled SDs (Hedges’ g)', null, null, $hedges->value === null ? null : FigureText::signed((float) $hedges->number(), DecimalText::of(abs((float) $hedges->number()), 2)), null, $hedges->reason?->value, $hedges->number()),
            ]],
            ['title' => 'At the same place in the order', 'lines' => array_map(static fn(int $tenth): ComparisonLine => $own->tenth($compared->atTenth($tenth), $tenth), range(1, 9))],
        ];
    }

    /** @return non-empty-list<array{title: string, lines: list<ComparisonLine>}> */
    public static function ofPairs(ComparedPairs $compared, FigureText $display): array
    {
        $own = new self($display, $compared->basis()->levelPercent());
        [$first, $second] = $compared->means();
        $counted = static fn(string $key, string $label, Figure $rows): ComparisonLine => new ComparisonLine($key, $label, null, null, self::count($rows), null, null, $rows->number());
        $percent = static fn(int $rows): ?string => $compared->changes->n() === 0 ? null : DecimalText::of(100 * $rows / $compared->changes->n(), 1) . ' %';
        $direction = static fn(string $key, string $label, int $rows): ComparisonLine => new ComparisonLine($key, $label, null, null, self::count($compared->counted($rows)), $percent($rows), null, $compared->counted($rows)->number());
        $change = static function (string $key, string $label) use ($compared, $own): ComparisonLine {
            $figure = $compared->ofChanges(Catalogue::chosen([$key])[0]);

            return new ComparisonLine($key, $label, null, null, $own->change($figure), null, $figure->reason?->value, $figure->number());
        };
        $ratio = static fn(string $key, string $label, Figure $figure): ComparisonLine => new ComparisonLine($key, $label, null, null, $figure->value === null ? null : FigureText::signed((float) $figure->number(), DecimalText::of(abs((float) $figure->number()), 3)), null, $figure->reason?->value, $figure->number());
        $sd = $compared->ofChanges(Measure::Sd->statistic());
        $mean = $compared->ofChanges(Measure::Mean->statistic());

        return [
            ['title' => 'How many', 'lines' => [
                $counted('n', 'With both', $compared->size()), $counted('left_out', 'Without one of them', $compared->leftOut()),
                $direction('rose', 'Rose', $compared->rose()), $direction('fell', 'Fell', $compared->fell()), $direction('stayed', 'Stayed as they were', $compared->stayed()),
            ]],
            ['title' => 'Where the changes lie', 'lines' => [
                new ComparisonLine('mean', 'Mean', $own->unit($first), $own->unit($second), $own->change($mean), null, $mean->reason?->value, $mean->number()),
                $own->interval($compared->interval(), 'interval', 'of the mean change'),
                $change('median', 'Median change'),
            ]],
            ['title' => 'How far the changes spread', 'lines' => [
                $change('min', 'Smallest'), $change('q1', 'Lower quartile'), $change('q3', 'Upper quartile'), $change('max', 'Largest'),
                new ComparisonLine('sd', 'Standard deviation', null, null, $own->unit($sd), null, $sd->reason?->value, $sd->number()),
            ]],
            ['title' => 'All of it', 'lines' => [
                $ratio('standardised_change', 'Mean change in SDs of the changes', $compared->standardisedChange()),
                $ratio('correlation', 'Correlation of the two (Pearson’s r)', $compared->correlation()),
            ]],
        ];
    }

    private function line(ComparedGroups $compared, Measure $measure, string $label): ComparisonLine
    {
        [$first, $second] = $compared->pair($measure);
        $difference = $compared->difference($measure);
        $isCentre = $measure === Measure::Mean || $measure === Measure::Median;
        $relative = ($isCentre ? $compared->percent($measure) : $compared->ratio($measure))->number();
        $beside = match (true) {
            $relative === null => null,
            $isCentre => FigureText::signed((float) $relative, DecimalText::of(abs((float) $relative), 1)) . ' %',
            default => '× ' . DecimalText::of((float) $relative, 2),
        };

        return new ComparisonLine($measure->value, $label, $this->unit($first), $this->unit($second), $this->change($difference), $beside, $first->reason->value ?? $second->reason->value ?? $difference->reason?->value, $difference->number());
    }

    /**
     * Who makes the range.
     *
     * @param array{Closure(BigDecimal): (string|null), Closure(BigDecimal): (string|null)}|null $labels
     */
    private function ends(ComparedGroups $compared, string $key, string $label, ?array $labels): ComparisonLine
    {
        $texts = $values = [];
        foreach ([$compared->first, $compared->second] as $i => $side) {
            $value = $side->n() === 0 ? null : $side->values->at($key === 'min' ? 1 : $side->n());
            $values[] = $value;
            $name = $value === null || $labels === null ? null : $labels[$i]($value);
            $texts[] = $value === null ? null : ($name === null ? '' : "{$name}: ") . $this->display->inUnit((float) (string) $value, true);
        }
        [$one, $other] = $values;
        $difference = $one === null || $other === null ? null : (float) (string) $other->minus($one);

        return new ComparisonLine($key, $label, $texts[0], $texts[1], $difference === null ? null : FigureText::signed($difference, $this->display->inUnit(abs($difference), true)), null, $difference === null ? Reason::NeedsOneValue->value : null, $difference);
    }

    private function interval(Interval $interval, string $key, string $of): ComparisonLine
    {
        [$low, $high] = [$interval->low, $interval->high];

        return new ComparisonLine($key, "{$this->levelPercent} % interval {$of}", null, null, $low->value === null ? null : "{$this->unit($low)} to {$this->unit($high)}", null, $low->reason?->value);
    }

    private function tenth(Figure $difference, int $tenth): ComparisonLine
    {
        return new ComparisonLine('at_' . 10 * $tenth, 10 * $tenth . ' %', null, null, $this->change($difference), null, $difference->reason?->value, $difference->number());
    }

    private function unit(Figure $figure): ?string
    {
        $value = $figure->number();

        return $value === null ? null : $this->display->inUnit($value, $figure->isOfTheData);
    }

    /** With its sign, which is what a difference says. */
    private function change(Figure $figure): ?string
    {
        $value = $figure->number();

        return $value === null ? null : FigureText::signed((float) $value, $this->display->inUnit(abs($value), $figure->isOfTheData));
    }

    private static function draws(float $chance): string
    {
        return DecimalText::of(100 * $chance, 1);
    }

    private static function count(Figure $figure): string
    {
        return FigureText::count($figure);
    }
}
