<?php

declare(strict_types=1);

namespace RowTally\Core\Judging;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;

/** One figure with the values beyond the fences and without them. Nothing is deleted: it is worked out. */
final readonly class WithoutFar
{
    private const FIGURES = ['n', 'mean', 'sd', 'min', 'q1', 'median', 'q3', 'max', 'range'];

    private function __construct(
        public string $key,
        public string $label,
        public ?string $with,
        public ?string $without,
        /** Without less with; null where either has none. */
        public ?string $difference,
    ) {}

    /** @return list<self> */
    public static function of(Observations $with, Observations $without, Basis $basis, FigureText $display): array
    {
        $lines = [];
        foreach (Catalogue::chosen(self::FIGURES) as $statistic) {
            [$one, $other] = [$statistic->of($with, $basis), $statistic->of($without, $basis)];
            [$a, $b] = [$one->number(), $other->number()];
            $difference = $a === null || $b === null ? null : self::difference($a, $b, $one->isOfTheData && $other->isOfTheData);
            $lines[] = new self(
                $statistic->key(),
                $statistic->label(),
                $display->of($statistic, $one),
                $display->of($statistic, $other),
                $difference === null ? null : FigureText::signed((float) ($difference->number() ?? 0), (string) $display->of($statistic, self::size($difference))),
            );
        }

        return $lines;
    }

    private static function difference(int|float $a, int|float $b, bool $isOfTheData): Figure
    {
        if (is_int($a) && is_int($b)) {
            return Figure::count($b - $a);
        }
        // As the two are shown in full: 0.3 less 0.1 is 0.2.
        $exact = BigDecimal::of(Exact::shortestText((float) $b))->minus(Exact::shortestText((float) $a))->toBigRational();

        return $isOfTheData ? Figure::ofTheData($exact) : Figure::exact($exact);
    }

    private static function size(Figure $figure): Figure
    {
        $number = $figure->number() ?? 0;
        $size = BigDecimal::of(is_int($number) ? $number : Exact::shortestText($number))->abs()->toBigRational();

        return is_int($number) ? Figure::count(abs($number)) : ($figure->isOfTheData ? Figure::ofTheData($size) : Figure::exact($size));
    }
}
