<?php

declare(strict_types=1);

namespace Tests\Core\Readings;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Readings\NamesRows;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Readings;
use RowTally\Core\Readings\RowWord;
use RowTally\Core\Readings\Wording;
use Tests\Core\Support\Numbers;
use Tests\Core\Support\ReferenceCases;

/** Each rule of one number: where it must speak, where it must be silent, and its boundary. */
final class NumberReadingsTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>, string|null, 3?: int, 4?: string|null, 5?: Basis}> key, values, its sentence or null for silence, missing, column, basis */
    public static function cases(): iterable
    {
        $row = static fn(int $from, int $to, int $step = 1): array => array_map(strval(...), range($from, $to, $step));
        $times = static fn(string $value, int $times): array => array_fill(0, $times, $value);

        yield 'missing: 5 % of twenty or more' => ['missing', $row(1, 95), '5 of 100 hives have no entry of Weight (5.0 %); every figure here is of the other 95.', 5];
        yield 'missing: just below 5 %' => ['missing', $row(1, 96), null, 4 + 1 - 1];
        yield 'missing: one of few' => ['missing', $row(1, 19), '1 of 20 hives has no entry of Weight (5.0 %); every figure here is of the other 19.', 1];
        yield 'missing: one of 20 values and more is under 5 %' => ['missing', $row(1, 20), null, 1];
        yield 'missing: one of 19 values and none' => ['missing', $row(1, 19), null, 0];
        yield 'missing: none has one' => ['missing', [], 'None of 3 hives has an entry of Weight.', 3];
        yield 'missing: not in a group' => ['missing', $row(1, 5), null, 5, 'Dunmere'];

        yield 'few: nine' => ['few', $row(1, 9), 'Only 9 values: each quartile rests on one or two hives.'];
        yield 'few: ten' => ['few', $row(1, 10), null];
        yield 'few: one' => ['few', ['4'], 'Only 1 value: there is nothing to compare it with.'];
        yield 'few: none' => ['few', [], 'There is no value.'];

        // SD of −1, 0, 1 is 1. A tenth of it is no longer close.
        yield 'centre: close' => ['centre', ['-10', '0', '10'], 'The mean, 0.0 kg, and the median, 0 kg, lie close together.'];
        yield 'centre: just close' => ['centre', ['-100', '1', '90', '0', '14'], 'The mean, 1.0 kg, and the median, 1 kg, lie close together.'];
        yield 'centre: two values are too few' => ['centre', ['1', '2'], null];
        yield 'centre: no spread' => ['centre', ['2', '2', '2'], null];
        yield 'centre: apart, but no tail to speak of' => ['centre', ['1', '2', '9'], null];
        yield 'centre: pulled up' => ['centre', [...$row(1, 19), '90', '95', '99'], 'The mean, 21.5 kg, lies 10.0 kg above the median: the long tail pulls it up.'];
        yield 'centre: pulled down' => ['centre', [...array_map(static fn(int $i): string => (string) -$i, range(1, 19)), '-90', '-95', '-99'], 'The mean, −21.5 kg, lies 10.0 kg below the median: the long tail pulls it down.'];

        yield 'middle: five' => ['middle', $row(1, 5), 'The middle half of the hives lies between 1.5 and 4.5 kg.'];
        yield 'middle: on values' => ['middle', $row(1, 6), 'The middle half of the hives lies between 2 and 5 kg.'];
        yield 'middle: four' => ['middle', $row(1, 4), null];
        yield 'middle: all equal' => ['middle', $times('3', 9), null];

        yield 'tail: twenty with a long one' => ['tail', [...$row(1, 18), '60', '99'], 'A long tail to the high values (skewness G₁ 3.01, 5.9 times its standard error).'];
        yield 'tail: to the low values' => ['tail', [...$row(41, 58), '0', '-40'], 'A long tail to the low values (skewness G₁ −3.03, 5.9 times its standard error).'];
        yield 'tail: nineteen are too few' => ['tail', [...$row(1, 17), '60', '99'], null];
        yield 'tail: even' => ['tail', $row(1, 40), null];
        // The same shape: 2.3 times its error with 45 values speaks, with 50 it would have to be 3.29 times.
        yield 'tail: between the limits, below fifty' => ['tail', self::skewed(45), 'A long tail to the high values (skewness G₁ 0.80, 2.3 times its standard error).'];
        yield 'tail: between the limits, from fifty on' => ['tail', self::skewed(50), null];
        // 6.2 times its error, but the figure is 0.87.
        yield 'tail: above three hundred the figure itself counts' => ['tail', self::skewed(301), null];

        yield 'far_values: more' => ['far_values', [...$row(1, 18), '60', '99'], 'More values lie far out than in a normal distribution (excess kurtosis G₂ 9.36, 9.4 times its standard error).'];
        yield 'far_values: fewer' => ['far_values', [...$times('1', 30), ...$times('9', 30)], 'Fewer values lie far out than in a normal distribution (excess kurtosis G₂ −2.07, 3.4 times its standard error).'];
        yield 'far_values: above three hundred not of fewer' => ['far_values', [...$times('1', 160), ...$times('9', 160)], null];
        yield 'far_values: a row of numbers' => ['far_values', $row(1, 40), null];

        yield 'outliers: one' => ['outliers', ['1', '2', '3', '4', '5', '6', '7', '40'], '1 hive lies beyond the fences, far: 40. Without it the mean would be 4.0 kg, the SD 2.2.'];
        yield 'outliers: on the fence is none' => ['outliers', ['1', '2', '3', '4', '5', '6', '7', '12.5'], null];
        yield 'outliers: just beyond it' => ['outliers', ['1', '2', '3', '4', '5', '6', '7', '12.6'], '1 hive lies beyond the fences: 12.6. Without it the mean would be 4.00 kg, the SD 2.16.'];
        yield 'outliers: six, five named' => ['outliers', [...$row(1, 30), '80', '81', '82', '83', '84', '-90'], '6 hives lie beyond the fences, 5 of them far: −90, 84, 83, 82, 81 and 1 more.'];

        yield 'within_spread: twenty' => ['within_spread', $row(1, 20), 'A normal distribution has 68.27 % within mean ± 1 SD, here about 14 of 20 hives; it is 12 (60.0 %).'];
        yield 'within_spread: nineteen' => ['within_spread', $row(1, 19), null];
        yield 'within_spread: all equal' => ['within_spread', $times('1', 30), null];

        yield 'normal: nothing against it' => ['normal', self::normal(30), 'Nothing in these values speaks against a normal distribution (Shapiro–Wilk W = 0.998, p = 1.0000); that does not show that it is one.'];
        yield 'normal: of few' => ['normal', self::normal(10), 'that does not show that it is one. Of so few the test sees gross departures only.'];
        yield 'normal: of many' => ['normal', self::normal(301), 'Of so many the test sees the slightest departure: the picture matters more.'];
        yield 'normal: very unusual' => ['normal', [...$row(1, 18), '60', '99'], 'These values would be very unusual for a normal distribution (Shapiro–Wilk W = 0.572, p < 0.0001).'];
        yield 'normal: unusual' => ['normal', [...$row(1, 20), '38'], 'These values would be unusual for a normal distribution (Shapiro–Wilk W = 0.'];
        yield 'normal: 5,001 by another test' => ['normal', self::normal(5001), '; it stands in for Shapiro–Wilk above 5,000 values'];
        yield 'normal: two values' => ['normal', ['1', '2'], null];
        yield 'normal: all equal' => ['normal', $times('1', 30), null];

        yield 'modes: one' => ['modes', ['1', '2', '2', '3', '4'], 'The commonest value is 2 kg (2 times, 40.0 %).'];
        yield 'modes: one with less than 5 %' => ['modes', [...$row(1, 50), '7'], null];
        yield 'modes: one with just 5 %' => ['modes', [...$row(1, 39), '7'], 'The commonest value is 7 kg (2 times, 5.0 %).'];
        yield 'modes: two' => ['modes', ['4', '4', '5', '5', '6'], 'Two values are commonest: 4 and 5 kg (2 times each).'];
        yield 'modes: six' => ['modes', ['1', '1', '2', '2', '3', '3', '4', '4', '5', '5', '6', '6', '7'], null];
        yield 'modes: none' => ['modes', $row(1, 5), 'No value repeats, so there is no mode.'];
        yield 'modes: all as frequent' => ['modes', ['1', '1', '2', '2', '3', '3'], 'All values are equally frequent, so there is no mode.'];
        yield 'modes: four values' => ['modes', $row(1, 4), null];
        yield 'modes: 201 different ones' => ['modes', $row(1, 201), null];
        yield 'modes: 200 different ones' => ['modes', $row(1, 200), 'No value repeats, so there is no mode.'];
        yield 'modes: all equal' => ['modes', $times('5', 9), null];

        yield 'one_value_dominates: a quarter of twenty' => ['one_value_dominates', [...$times('0', 5), ...$row(1, 15)], '5 of 20 hives (25.0 %) have 0 kg; mean and SD say little about the others.'];
        yield 'one_value_dominates: a little less' => ['one_value_dominates', [...$times('0', 5), ...$row(1, 16)], null];
        yield 'one_value_dominates: nineteen' => ['one_value_dominates', [...$times('0', 9), ...$row(1, 10)], null];
        yield 'one_value_dominates: two do' => ['one_value_dominates', [...$times('0', 6), ...$times('9', 8), ...$row(1, 8)], '8 of 22 hives (36.4 %) have 9 kg, 6 (27.3 %) 0 kg; mean and SD say little about the others.'];

        yield 'rounded_by_eye: two in five of a hundred' => ['rounded_by_eye', [...$row(1, 75), ...$row(1000, 1120, 5)], '40 % of the values end in 0 or 5, where 20 % would by chance: they look rounded when they were taken.'];
        yield 'rounded_by_eye: a little less' => ['rounded_by_eye', [...$row(1, 76), ...$row(1000, 1115, 5)], null];
        yield 'rounded_by_eye: ninety-nine' => ['rounded_by_eye', [...$row(1, 60), ...$row(1000, 1190, 5)], null];
        yield 'rounded_by_eye: forty-nine different ones' => ['rounded_by_eye', [...$row(5, 245, 5), ...$row(5, 245, 5), ...$row(5, 245, 5)], null];
        yield 'rounded_by_eye: not in a group' => ['rounded_by_eye', $row(5, 600, 5), null, 0, 'Dunmere'];

        yield 'convention_matters: it does' => ['convention_matters', ['1', '9', '12', '30'], 'Q₁ is 1 to 7.0 kg and Q₃ is 12 to 25.5 kg, as the rule for quartiles goes: say which one you used.'];
        yield 'convention_matters: three values' => ['convention_matters', ['1', '9', '30'], null];
        // By hand: of a thousand consecutive numbers Q₁ is 250 to 250.75, of an IQR of 500, which is less than a twentieth and more than nothing.
        yield 'convention_matters: hardly' => ['convention_matters', $row(1, 1000), null];
        yield 'convention_matters: the same under every rule' => ['convention_matters', [...$times('1', 12), ...$times('2', 20), ...$times('3', 12)], 'Q₁ and Q₃ are the same under every rule to the decimals shown.'];
        yield 'convention_matters: not in a group' => ['convention_matters', ['1', '9', '12', '30'], null, 0, 'Dunmere'];

        yield 'constant: two' => ['constant', ['70', '70'], 'All 2 values are 70 kg.'];
        yield 'constant: one is no constant' => ['constant', ['70'], null];
        yield 'constant: not all' => ['constant', ['70', '70', '71'], null];
    }

    /**
     * @param list<string> $values
     */
    #[DataProvider('cases')]
    public function test_a_rule_speaks_or_is_silent(string $key, array $values, ?string $sentence, int $missing = 0, ?string $column = null, ?Basis $basis = null): void
    {
        $basis ??= new Basis();
        $said = self::said(new Observations(Numbers::ofTexts($values), $missing), $basis, $column);
        if ($sentence === null) {
            self::assertArrayNotHasKey($key, $said, $said[$key] ?? '');
        } else {
            self::assertArrayHasKey($key, $said, implode("\n", array_keys($said)));
            self::assertStringContainsString($sentence, $said[$key]);
        }
    }

    public function test_the_sd_is_that_of_the_basis(): void
    {
        // Mean 2, median 1.6: 0.4 apart; σ is 4.0 and s is 4.5, a tenth of one lies on either side of it.
        $values = ['-4', '0.5', '1.6', '4', '7.9'];
        $apart = new Observations(Numbers::ofTexts($values), 0);
        self::assertArrayHasKey('centre', self::said($apart, new Basis()));
        self::assertArrayNotHasKey('centre', self::said($apart, new Basis(SampleOrPopulation::Population)));
    }

    public function test_counts_that_are_not_whole_make_the_sample_sd_depend_on_their_unit(): void
    {
        $counted = ReferenceCases::counted([10, 20, 30], [1.5, 2.5, 1.5]);
        $thousands = (new Basis())->countedIn('thousands');
        // By hand: squared deviations 300 thousand, of 5,500 jars: √(300000/5499) = 7.386.
        self::assertSame('The sample SD depends on the unit of the counts (thousands): counted one by one it would be 7.39 kg. σ does not.', self::said($counted, $thousands, decimals: 1)['counts_unit']);
        self::assertStringContainsString('with counts 10 times as large', self::said($counted, new Basis())['counts_unit']);
        self::assertArrayNotHasKey('counts_unit', self::said($counted, new Basis(SampleOrPopulation::Population)));
        self::assertArrayNotHasKey('counts_unit', self::said(ReferenceCases::counted([10, 20, 30], [1, 2, 1]), new Basis()));
    }

    public function test_outliers_are_named_where_rows_have_names(): void
    {
        $names = new class implements NamesRows {
            public function of(int $column, array $values): array
            {
                return array_map(static fn(BigDecimal $value): ?string => $value->isEqualTo(40) ? 'CH-021' : null, $values);
            }
        };
        $observations = new Observations(Numbers::ofTexts(['1', '2', '3', '4', '5', '6', '7', '-30', '40']), 0);
        $reading = Readings::ofNumber(new NumberSubject('Weight', $observations, self::wording(new Basis()), labels: $names));
        self::assertStringContainsString('2 hives lie beyond the fences, far: CH-021 (40) and −30.', implode("\n", array_column($reading, 'sentence')));
    }

    public function test_very_many_outliers_are_counted_and_the_farthest_named(): void
    {
        $values = [...array_fill(0, 9000, '10'), ...array_map(static fn(int $i): string => (string) (10 + $i % 5), range(0, 8999)), ...array_map(strval(...), range(30_001, 35_001))];
        $few = new Observations(Numbers::ofTexts([...array_slice($values, 0, -1)]), 0);
        $many = new Observations(Numbers::ofTexts($values), 0);
        [$listed, $counted] = [self::said($few, new Basis())['outliers'], self::said($many, new Basis())['outliers']];

        // 5,000 one by one, 5,001 by what is left without them.
        self::assertStringStartsWith('5,000 hives lie beyond the fences, far: 35000, 34999, 34998, 34997, 34996 and 4,995 more. Without the 5,000 the mean would be ', $listed);
        self::assertSame(str_replace(['5,000', '35000, 34999, 34998, 34997, 34996', '4,995'], ['5,001', '35001, 35000, 34999, 34998, 34997', '4,996'], $listed), $counted);
    }

    public function test_far_fences_are_those_of_the_basis(): void
    {
        $observations = new Observations(Numbers::ofTexts(['1', '2', '3', '4', '5', '6', '7', '14']), 0);
        self::assertArrayHasKey('outliers', self::said($observations, new Basis()));
        self::assertArrayNotHasKey('outliers', self::said($observations, new Basis(innerFence: '3')));
    }

    public function test_what_is_said_without_any_value(): void
    {
        self::assertSame(['few', 'missing'], self::sorted(array_keys(self::said(new Observations(Numbers::of(), 4), new Basis()))));
        self::assertSame(['few'], array_keys(self::said(new Observations(Numbers::of(), 0), new Basis(quartileRule: QuartileRule::Hf3))));
    }

    public function test_the_heaviest_comes_first_and_each_has_its_rule_and_source(): void
    {
        $readings = Readings::ofNumber(new NumberSubject('Weight', new Observations(Numbers::ofTexts(['1', '2', '3', '4', '5', '6', '7', '40']), 2), self::wording(new Basis())));
        $weights = array_column($readings, 'weight');
        $sorted = $weights;
        rsort($sorted);
        self::assertSame($sorted, $weights);
        foreach ($readings as $reading) {
            self::assertNotSame('', $reading->rule . $reading->source, $reading->key);
            self::assertMatchesRegularExpression('/^(?!.*(is normal|significant|proves|because of)).*\.$/', $reading->sentence);
            self::assertGreaterThanOrEqual(0, $reading->weight);
            self::assertLessThanOrEqual(100, $reading->weight);
        }
    }

    /** @return array<string, string> sentences by key */
    private static function said(Observations $observations, Basis $basis, ?string $column = null, int $decimals = 0): array
    {
        return array_column(Readings::ofNumber(new NumberSubject('Weight', $observations, self::wording($basis, $observations, $decimals), $column)), 'sentence', 'key');
    }

    private static function wording(Basis $basis, ?Observations $observations = null, int $decimals = 0): Wording
    {
        return new Wording(new FigureText($basis, max($decimals, $observations?->values->decimals() ?? 0), $observations->countDecimals ?? 0), 'kg', new RowWord('hive', 'hives'), $basis);
    }

    /** @return list<string> so many values of one shape with a tail to the high side: −log of even shares */
    private static function skewed(int $n): array
    {
        return array_map(static fn(int $i): string => number_format(100 * (-log(1 - ($i - 0.5) / $n)) ** 0.6, 2, '.', ''), range(1, $n));
    }

    /** @return list<string> so many values as even as a normal distribution has them */
    private static function normal(int $n): array
    {
        return array_map(static fn(int $i): string => number_format(100 * \RowTally\Core\Distributions\Normal::quantile(($i - 0.375) / ($n + 0.25)), 3, '.', ''), range(1, $n));
    }

    /**
     * @param list<string> $keys
     *
     * @return list<string>
     */
    private static function sorted(array $keys): array
    {
        sort($keys);

        return $keys;
    }
}
