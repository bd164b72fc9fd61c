<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Values\Figure;

/** A figure as it is shown, on screen, on the command line and in whatever is handed over. */
final readonly class FigureText
{
    private const RATIO_DECIMALS = 3;
    private const PROBABILITY_DECIMALS = 4;
    private const SMALLEST_PROBABILITY = 0.0001;
    private const MODES_SHOWN = 3;

    public function __construct(
        private Basis $basis,
        /** decimals the data carry; null where they are doubles */
        private ?int $dataDecimals,
        private int $countDecimals = 0,
        /** so many more than the basis says, where figures would seem to contradict one another */
        private int $moreDecimals = 0,
    ) {}

    public function withMoreDecimals(int $more): self
    {
        return new self($this->basis, $this->dataDecimals, $this->countDecimals, $more);
    }

    /** @return string|null null where the figure has no value */
    public function of(Statistic $statistic, Figure $figure): ?string
    {
        if (is_array($figure->value)) {
            $texts = array_map(fn(float $value): string => $this->inUnit($value, true), array_slice($figure->value, 0, self::MODES_SHOWN));
            $more = count($figure->value) - self::MODES_SHOWN;

            return implode(NumberMarks::inForce()->between(), $texts) . ($more > 0 ? " and {$more} more" : '');
        }
        if ($figure->value === null) {
            return null;
        }

        return match ($statistic->shownAs()) {
            ShownAs::Rows => DecimalText::of($figure->value, $this->countDecimals),
            ShownAs::Ratio => $this->withDecimals($figure->value, self::RATIO_DECIMALS),
            ShownAs::Share => DecimalText::of(100 * $figure->value, 1) . ' %',
            ShownAs::Probability => abs($figure->value) < self::SMALLEST_PROBABILITY && $figure->value !== 0.0
                ? DecimalText::significant($figure->value, 2)
                : DecimalText::of($figure->value, self::PROBABILITY_DECIMALS),
            default => $this->inUnit($figure->value, $figure->isOfTheData),
        };
    }

    /** A difference with its sign, which is what it says; none before what is shown as 0. */
    public static function signed(float $value, string $text): string
    {
        return match (true) {
            preg_match('/[1-9]/', $text) !== 1 => $text,
            $value > 0.0 => "+{$text}",
            default => NumberMarks::inForce()->written('-0')[0] === '-' ? "-{$text}" : "−{$text}",
        };
    }

    /** A number of rows, as the counts have it. */
    public static function count(Figure $rows): string
    {
        return DecimalText::whole((float) ($rows->number() ?? 0));
    }

    /** A number in the unit of the data, or in its square; a value of the data itself with no more decimals than they have. */
    public function inUnit(int|float $value, bool $isOfTheData = false): string
    {
        return $this->withDecimals($value, $this->basis->decimals->decimals($this->dataDecimals, $isOfTheData));
    }

    private function withDecimals(int|float $value, ?int $decimals): string
    {
        return $this->basis->decimals->isSignificant()
            ? DecimalText::significant($value, $this->basis->decimals->number + $this->moreDecimals)
            : DecimalText::of($value, $decimals === null ? null : $decimals + $this->moreDecimals);
    }
}
