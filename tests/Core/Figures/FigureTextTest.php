<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\OrderedValues;
use RowTally\Core\Values\ValueCounts;
use Tests\Core\Support\Numbers;

/** Figures as they are shown, from the values to the text. */
final class FigureTextTest extends TestCase
{
    private const YEARS = ['2022', '2023', '2023', '2024', '2025', '2025'];
    private const WEIGHTS = ['17.8', '21.05', '21.07', '30.0'];
    private const HALVES = ['-0.5', '0.5', '1.5'];

    /** @return iterable<string, array{list<string>, string, string, string|null, Basis}> */
    public static function shown(): iterable
    {
        $basis = new Basis();
        // Of the data: with their decimals. Worked out: with one more.
        yield 'a first year' => [self::YEARS, 'min', '2022', null, $basis];
        yield 'a last year' => [self::YEARS, 'max', '2025', null, $basis];
        yield 'between first and last' => [self::YEARS, 'range', '3', null, $basis];
        yield 'a mean year' => [self::YEARS, 'mean', '2023.7', null, $basis];
        yield 'a median between two years' => [self::YEARS, 'median', '2023.5', null, $basis];
        yield 'a quartile that is a year' => [self::YEARS, 'q1', '2023', null, $basis];
        yield 'a quartile between two' => [self::YEARS, 'q3', '2024.8', null, new Basis(quartileRule: QuartileRule::Hf7)];
        yield 'a distance of two quartiles' => [self::YEARS, 'iqr', '2.0', null, $basis];
        yield 'a sum of years' => [self::YEARS, 'sum', '12142', null, $basis];
        yield 'modes' => [self::YEARS, 'modes', '2023, 2025', null, $basis];
        yield 'a count' => [self::YEARS, 'n', '6', null, $basis];
        yield 'a lightest' => [self::WEIGHTS, 'min', '17.80', null, $basis];
        yield 'a mean weight' => [self::WEIGHTS, 'mean', '22.480', null, $basis];
        yield 'a variance' => [self::WEIGHTS, 'variance', '27.495', null, $basis];
        yield 'a sum of weights' => [self::WEIGHTS, 'sum', '89.92', null, $basis];
        yield 'a ratio' => [self::WEIGHTS, 'skewness', '1.466', null, $basis];
        yield 'a share' => [self::WEIGHTS, 'cv', '23.3 %', null, $basis];
        yield 'a share of rows' => [self::WEIGHTS, 'within_1', '75.0 %', null, $basis];
        yield 'below zero' => [self::HALVES, 'min', '−0.5', null, $basis];
        yield 'a mean of halves' => [self::HALVES, 'mean', '0.50', null, $basis];
        // Three digits that matter, wherever the point stands.
        $three = new Basis(decimals: ShownDecimals::ofWord('s3'));
        yield 'more digits before the point than wanted' => [self::YEARS, 'mean', '2020', null, $three];
        yield 'as many as wanted' => [self::WEIGHTS, 'mean', '22.5', null, $three];
        yield 'less than one' => [self::HALVES, 'mean', '0.500', null, $three];
        yield 'rows are whole whatever is wanted' => [self::YEARS, 'n', '6', null, $three];
        // No decimals, or a fixed number of them.
        yield 'rounded to whole ones' => [self::WEIGHTS, 'mean', '22', null, new Basis(decimals: ShownDecimals::ofWord('0'))];
        yield 'two of them' => [self::YEARS, 'mean', '2023.67', null, new Basis(decimals: ShownDecimals::ofWord('2'))];
        yield 'as in the data' => [self::WEIGHTS, 'mean', '22.48', null, new Basis(decimals: ShownDecimals::ofWord('data+0'))];
        // What has no value says why, elsewhere.
        yield 'a spread of one' => [['7'], 'sd', '', 'needs at least 2 values', $basis];
        yield 'a spread of a population of one' => [['7'], 'sd', '0.0', null, new Basis(takenAs: SampleOrPopulation::Population)];
    }

    /** @param list<string> $values */
    #[DataProvider('shown')]
    public function test_a_figure_is_shown_with_the_decimals_that_it_has(array $values, string $key, string $text, ?string $reason, Basis $basis): void
    {
        $observations = new Observations(Numbers::ofTexts($values), 0);
        $statistic = Catalogue::chosen([$key])[0];
        $figure = $statistic->of($observations, $basis);
        self::assertSame($reason === null ? $text : null, self::display($observations->values, $basis)->of($statistic, $figure));
        self::assertSame($reason, $figure->reason?->value);
    }

    public function test_of_many_modes_three_are_told(): void
    {
        $observations = new Observations(Numbers::ofTexts(['1', '1', '2', '2', '3', '3', '4', '4', '5', '5', '9']), 0);
        $modes = Catalogue::chosen(['modes'])[0];
        self::assertSame('1, 2, 3 and 2 more', self::display($observations->values, new Basis())->of($modes, $modes->of($observations, new Basis())));
    }

    public function test_counts_have_the_decimals_of_their_column(): void
    {
        $observations = new Observations(ValueCounts::ofCountedIntegers([1 => 25, 2 => 50], 0), 0, 1);
        $n = Catalogue::chosen(['n'])[0];
        self::assertSame('7.5', (new FigureText(new Basis(), 0, 1))->of($n, $n->of($observations, new Basis())));
    }

    public function test_a_small_probability_keeps_two_digits(): void
    {
        $p = Catalogue::chosen(['anderson_darling_p'])[0];
        $text = static fn(float $value): ?string => (new FigureText(new Basis(), 1))->of($p, Figure::double($value));
        self::assertSame(['0.0123', '0.0001', '1.2 × 10⁻⁵', '0.0000', '1.0000'], array_map($text, [0.01234, 0.0001, 0.00001234, 0.0, 1.0]));
    }

    private static function display(OrderedValues $values, Basis $basis): FigureText
    {
        return new FigureText($basis, $values->decimals());
    }
}
