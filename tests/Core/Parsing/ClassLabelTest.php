<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\ClassLabel;

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
        $class = ClassLabel::parse($label);
        self::assertNotNull($class);

        self::assertSame([$low, $high, $areBoundaries, $isInside], [$class->low === null ? null : (string) $class->low, $class->high === null ? null : (string) $class->high, $class->areBoundaries, $class->isBoundInside]);
        self::assertSame($label, $class->label);
    }

    public function test_other_labels_are_no_classes(): void
    {
        foreach (['', 'Dunmere', '12', '2026-03-01', '12-17-23', 'A-B', 'total', '12 to', 'to 17 and', '+44 123', '1,2,3'] as $label) {
            self::assertNull(ClassLabel::parse($label), $label);
        }
    }
}
