<?php

declare(strict_types=1);

namespace RowTally\Core\Working;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;

/** Numbers and sums as a working writes them: exactly where they end, otherwise to 17 digits and an ellipsis; never rounded for looks. */
final class Written
{
    private const MOST_DIGITS = 24;
    private const FIRST = 4;
    private const LAST = 2;

    public static function number(BigRational|BigDecimal|float|int $number): string
    {
        if (is_float($number)) {
            return self::signed(Exact::plainText($number));
        }
        if (is_int($number)) {
            return self::signed((string) $number);
        }
        if ($number instanceof BigDecimal) {
            return self::signed(Exact::plainDecimal($number));
        }
        $simple = $number->simplified();
        $under = $simple->getDenominator();
        foreach ([2, 5] as $prime) {
            while ($under->mod($prime)->isZero()) {
                $under = $under->quotient($prime);
            }
        }
        if ($under->isEqualTo(1)) {
            $text = Exact::plainDecimal($simple->toBigDecimal());
            if (strlen($text) <= self::MOST_DIGITS) {
                return self::signed($text);
            }
        }

        return self::signed(Exact::plainText(Exact::toFloat($simple) ?? 0.0)) . '…';
    }

    /** A number that stands after an operator: negative ones in brackets. */
    public static function inside(BigRational|BigDecimal|float|int $number): string
    {
        $text = self::number($number);

        return preg_match('/^[0-9]/', $text) === 1 ? $text : "({$text})";
    }

    /**
     * "12.3 + 2·12.5 + … + 31", a term for each of the lowest and highest values.
     *
     * @param callable(string): string $term from the text of a value
     */
    public static function sum(Observations $observations, callable $term, string $operator = ' + '): string
    {
        $n = $observations->n();
        $values = $observations->values;
        $few = !$values->hasMoreDistinctThan(self::FIRST + self::LAST + 1);
        $ends = $few ? [$values->between(1, $n), []] : [$values->lowest(self::FIRST), $values->highest(self::LAST)];
        $texts = array_map(
            static fn(array $part): array => array_map(static function (array $entry) use ($term, $observations): string {
                $count = self::count($entry['count'], $observations->countDecimals);

                return ($count === '1' ? '' : "{$count}·") . $term(self::inside($entry['value']));
            }, $part),
            $ends,
        );

        return implode($operator, $few ? $texts[0] : [...$texts[0], '…', ...$texts[1]]);
    }

    /** A count in the unit of the counts. */
    public static function count(int $unscaled, int $decimals): string
    {
        return self::signed(Exact::plainDecimal(BigDecimal::ofUnscaledValue($unscaled, $decimals)));
    }

    public static function size(Observations $observations): string
    {
        return self::count($observations->n(), $observations->countDecimals);
    }

    /** "x̄ = {…}/{…} = …" */
    public static function mean(Observations $observations, SampleOrPopulation $takenAs): string
    {
        $symbol = self::meanSymbol($takenAs);

        return "{$symbol} = {" . self::number($observations->sum()) . '}/{' . self::size($observations) . '} = ' . self::number($observations->mean());
    }

    public static function meanSymbol(SampleOrPopulation $takenAs): string
    {
        return $takenAs === SampleOrPopulation::Sample ? 'x̄' : 'µ';
    }

    public static function sizeSymbol(SampleOrPopulation $takenAs): string
    {
        return $takenAs === SampleOrPopulation::Sample ? 'n' : 'N';
    }

    public static function spreadSymbol(SampleOrPopulation $takenAs): string
    {
        return $takenAs === SampleOrPopulation::Sample ? 's' : 'σ';
    }

    private static function signed(string $text): string
    {
        return NumberMarks::inForce()->written($text);
    }
}
