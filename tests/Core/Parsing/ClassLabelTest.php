<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\ClassLabel;
use RowTally\Core\Parsing\ClassLabels;

final class ClassLabelTest extends TestCase
{
    /** @return iterable<string, array{string, string|null, string|null, 3?: bool, 4?: bool}> label, low, high, boundaries by how it is written, whether the bound of an open class is inside */
    public static function labels(): iterable
    {
        $labels = [
            // Dashes and words between.
            ['12-17', '12', '17'], ['12–17', '12', '17'], ['12—17', '12', '17'], ['12 - 17', '12', '17'], ['12−17', '12', '17'], ['12 to 17', '12', '17'],
            ['12 bis 17', '12', '17'], ['12 à 17', '12', '17'], ['12 a 17', '12', '17'], ['12 tot 17', '12', '17'], ['12 til 17', '12', '17'], ['12..17', '12', '17'],
            ["12\u{A0}–\u{A0}17", '12', '17'], ['  3-5 ', '3', '5'],
            // Decimals with point and comma, signs.
            ['1.5-2.4', '1.5', '2.4'], ['1,5–2,4', '1.5', '2.4'], ['1,5 bis 2,4', '1.5', '2.4'], ['-5 to -1', '-5', '-1'], ['−5 – −1', '-5', '-1'], ['-5–-1', '-5', '-1'],
            ['-5 - 0', '-5', '0'], ['-0,5 à 0,5', '-0.5', '0.5'], ['0-0', '0', '0'],
            // Thousands, currencies, more words.
            ['1,000-1,999', '1000', '1999'], ['1,000 – 1,999.5', '1000', '1999.5'], ['1.000,5-1.999,5', '1000.5', '1999.5'], ['1 000 - 1 999', '1000', '1999'], ["1'000-1'999", '1000', '1999'], ['1,234,567–2,000,000', '1234567', '2000000'],
            ['$1,000-$1,999', '1000', '1999'], ['€ 10 – € 19', '10', '19'], ['10-19 USD', '10', '19'], ['£48 and over', '48', null, false, true], ['under $500', null, '500', false, false],
            ['12 through 17', '12', '17'], ['12 thru 17', '12', '17'], ['from 12 to 17', '12', '17'], ['between 12 and 17', '12', '17'], ['12 - 17 years old', '12', '17'], ['12 up to 17', '12', '17'],
            ['10 to less than 20', '10', '20', true], ['10 to <20', '10', '20', true], ['10-<20', '10', '20', true], ['10 – under 20', '10', '20', true], ['10 and under 20', '10', '20', true], ['10 but less than 20', '10', '20', true], ['10 up to but less than 20', '10', '20', true], ['10, but under 20', '10', '20', true],
            // Intervals without a blank, and without an end.
            ['[0,5)', '0', '5', true], ['(5,10]', '5', '10', true], ['[0.5,1.5)', '0.5', '1.5', true], ['[0,5;1,5)', '0.5', '1.5', true], ['[10,Inf)', '10', null, false, true], ['(10, ∞)', '10', null, false, false], ['(-inf; 5]', null, '5', false, true], ['(-∞,5)', null, '5', false, false],
            ['over 5 to 10', '5', '10', true], ['over 5 up to 10', '5', '10', true], ['more than 5 but not more than 10', '5', '10', true], ['> 5 - 10', '5', '10', true], ['über 5 bis 10', '5', '10', true], ['above 5 to at most 10', '5', '10', true],
            ['de 5 à 9', '5', '9'], ['von 5 bis 9', '5', '9'], ['desde 5 hasta 9', '5', '9'], ['da 5 a 9', '5', '9'],
            // Thousands and millions.
            ['£1k-£2k', '1000', '2000'], ['1k–2k', '1000', '2000'], ['1-2k', '1000', '2000'], ['500-1k', '500', '1000'], ['1.5k to 2.5k', '1500', '2500'], ['$1M-$2M', '1000000', '2000000'], ['$5k+', '5000', null, false, true], ['under $2m', null, '2000000', false, false],
            ['1 thousand to 2 thousand', '1000', '2000'], ['1 to 2 million', '1000000', '2000000'], ['10 Tsd. bis 20 Tsd.', '10000', '20000'], ['1 kg - 2 kg', '1', '2'], ['1 m - 2 m', '1', '2'],
            ['-11..-5', '-11', '-5'], ['-11 to -5', '-11', '-5'], ['−11 − −5', '-11', '-5'], ['-11 - -5', '-11', '-5'], ['0…5', '0', '5'], ['1...5', '1', '5'],
            ['.5-.9', '0.5', '0.9'], ['-.5 to .5', '-0.5', '0.5'], [',5–,9', '0.5', '0.9'], ['< .5', null, '0.5', false, false],
            ['48 or above', '48', null, false, true], ['48 or below', null, '48', false, true], ['48 and higher', '48', null, false, true], ['48 and lower', null, '48', false, true], ['48 or longer', '48', null, false, true], ['48 & over', '48', null, false, true], ['48 & up', '48', null, false, true], ['48 and upwards', '48', null, false, true],
            ['20+ years', '20', null, false, true], ['20 + kg', '20', null, false, true], ['20 years+', '20', null, false, true], ['65 years and older', '65', null, false, true], ['65 and over years', '65', null, false, true],
            ['x < 6', null, '6', false, false], ['x ≥ 48', '48', null, false, true], ['age > 48', '48', null, false, false], ['6 > x', null, '6', false, false], ['48 ≤ x', '48', null, false, true], ['at least 48', '48', null, false, true], ['no more than 6', null, '6', false, true], ['greater than 48', '48', null, false, false], ['older than 48', '48', null, false, false],
            // Units.
            ['12-17 kg', '12', '17'], ['12 kg - 17 kg', '12', '17'], ['12–17 years', '12', '17'], ['12,5–17,5 °C', '12.5', '17.5'], ['10-20%', '10', '20'], ['10 % – 20 %', '10', '20'],
            ['12 bis 17 Jahre', '12', '17'], ['5 km/h to 9 km/h', '5', '9'],
            // Boundaries.
            ['12 ≤ x < 18', '12', '18', true], ['12 <= x < 18', '12', '18', true], ['12 < age <= 18', '12', '18', true], ['[12, 18)', '12', '18', true], ['(12; 18]', '12', '18', true],
            ['[1,5; 2,5)', '1.5', '2.5', true], ['[-5, 0)', '-5', '0', true], ['12 to under 18', '12', '18', true], ['12 bis unter 18', '12', '18', true],
            // Open.
            ['under 6', null, '6', false, false], ['Under 6', null, '6', false, false], ['below 6 kg', null, '6', false, false], ['less than 6', null, '6', false, false], ['< 6', null, '6', false, false], ['<6', null, '6', false, false],
            ['unter 6', null, '6', false, false], ['moins de 6', null, '6', false, false], ['menos de 6', null, '6', false, false], ['minder dan 6', null, '6', false, false],
            ['up to 5', null, '5', false, true], ['≤ 5', null, '5', false, true], ['bis 5', null, '5', false, true], ['5 or less', null, '5', false, true], ['5 und weniger', null, '5', false, true],
            ['48 and over', '48', null, false, true], ['48 and older', '48', null, false, true], ['48+', '48', null, false, true], ['48 +', '48', null, false, true], ['≥ 48', '48', null, false, true], ['>= 48,5', '48.5', null, false, true],
            ['48 und mehr', '48', null, false, true], ['48 et plus', '48', null, false, true], ['48 y más', '48', null, false, true], ['48 en meer', '48', null, false, true], ['ab 48', '48', null, false, true], ['48 kg and over', '48', null, false, true],
            ['over 48', '48', null, false, false], ['> 48', '48', null, false, false], ['more than 48', '48', null, false, false], ['über 48', '48', null, false, false], ['plus de 48', '48', null, false, false],
        ];
        foreach ($labels as $label) {
            yield $label[0] => $label;
        }
    }

    #[DataProvider('labels')]
    public function test_labels_are_read_in_many_habits(string $label, ?string $low, ?string $high, bool $areBoundaries = false, bool $isInside = true): void
    {
        $class = ClassLabels::of([$label])->classes[0];
        self::assertNotNull($class);

        self::assertSame([$low, $high, $areBoundaries, $isInside], [$class->low === null ? null : (string) $class->low, $class->high === null ? null : (string) $class->high, $class->areBoundaries, $class->isBoundInside]);
        self::assertSame($label, $class->label);
    }

    public function test_other_labels_are_no_classes(): void
    {
        foreach (['', 'Dunmere', '12', '12 kg', 'plot 12', 'A-12', '12 or 17', '3 to 4 or 5', '2026-03-01', '12-17-23', 'A-B', 'total', '12 to', 'to 17 and', '1,2,3'] as $label) {
            self::assertNull(ClassLabels::of([$label])->classes[0], $label);
        }
    }

    public function test_single_values_are_classes_beside_others_only(): void
    {
        $limits = static fn(array $labels): array => array_map(static fn(?ClassLabel $class): ?string => $class === null ? null : ClassLabel::text((string) $class->low, (string) $class->high), ClassLabels::of($labels)->classes);

        self::assertSame(['0 to 0', '1 to 1', '2 to 3', '4 and over'], $limits(['0', '1', '2–3', '4+']));
        self::assertSame([null, null], $limits(['0', '1']));
        self::assertTrue(ClassLabels::areValuesWithAnOpenEnd(['0', '1', '2', '3', '4', '5+']));
        self::assertFalse(ClassLabels::areValuesWithAnOpenEnd(['3', '1', '3', '1', '10+']), 'values, one of them cut off');
        self::assertFalse(ClassLabels::areValuesWithAnOpenEnd(['0', '1', '2']));
        self::assertFalse(ClassLabels::areValuesWithAnOpenEnd(['0', '1', 'none', '5+']));
    }

    /** @return iterable<string, array{list<string>, '.'|','|null, '.'|',', string|null}> labels, mark shown elsewhere, mark, label in doubt */
    public static function marks(): iterable
    {
        yield 'thousands where nothing shows more' => [['1,000-1,999', '2,000-2,999'], null, '.', '1,000-1,999'];
        yield 'decimals where the table has decimal commas' => [['1,000-1,999', '2,000-2,999'], ',', ',', null];
        yield 'thousands where the table has decimal points' => [['1,000-1,999', '2,000-2,999'], '.', '.', null];
        yield 'points before three digits' => [['1.000-1.999', '2.000-2.999'], null, '.', '1.000-1.999'];
        yield 'points between thousands' => [['1.000-1.999', '2.000-2.999'], ',', ',', null];
        yield 'a label shows a decimal comma' => [['0,5-1,25', '1,250-2,000'], null, ',', null];
        yield 'a label shows a decimal point' => [['1,000-1,999.5', '2,000-2,999.5'], null, '.', null];
        yield 'two marks in one number' => [['1,000,000-1,999,999'], null, '.', null];
        yield 'no marks' => [['12-17', '18-23'], null, '.', null];
    }

    /**
     * @param list<string> $labels
     * @param '.'|','|null $shown
     */
    #[DataProvider('marks')]
    public function test_the_mark_is_decided_for_all_labels_together(array $labels, ?string $shown, string $mark, ?string $open): void
    {
        self::assertSame([$mark, $open], [ClassLabels::decimalMark($labels, $shown), ClassLabels::open($labels, $shown)]);
    }
}
