<?php

declare(strict_types=1);

namespace RowTally\Demo;

/** The association's smaller tables. */
final class SmallTables
{
    /** @return list<list<string>> honey harvest by keepers' years of experience: classes, counts in thousands of jars */
    public static function harvestByExperience(): array
    {
        return [
            ['Years of experience', 'Jars (thousands)'],
            ['0-2', '1.8'], ['3-5', '4.6'], ['6-11', '9.3'], ['12-17', '7.2'], ['18-23', '5.4'], ['24-35', '3.7'], ['36-47', '1.1'],
            ['48 and over', '0.4'],
        ];
    }

    /** @return list<list<string>> queen cells found in a hive, and in how many hives */
    public static function queenCells(): array
    {
        return [
            ['Queen cells', 'Hives'],
            ['0', '131'], ['1', '38'], ['2', '24'], ['3', '17'], ['4', '11'], ['5', '7'], ['6', '4'], ['8', '3'], ['11', '1'],
        ];
    }

    /** @return list<list<string>> swarm call-outs, one a row */
    public static function swarmCallOuts(): array
    {
        $chance = new Chance(515);
        $rows = [['Call-out', 'Weekday', 'District', 'Hours to collect (h)']];
        for ($i = 1; $i <= 94; ++$i) {
            $rows[] = [
                (string) $i,
                $chance->pick(['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'], [11, 10, 9, 12, 14, 25, 19]),
                $chance->pick(['Fen Ditton', 'Harbour side', 'Old Town', 'Upper Moor'], [30, 18, 34, 12]),
                number_format(max(0.2, $chance->normal(2.1, 0.8) * (1 + $chance->uniform() ** 3)), 2, '.', ''),
            ];
        }

        return $rows;
    }

    /** @return list<list<string>> two seasons of honey yield from the same apiaries */
    public static function twoSeasons(): array
    {
        $chance = new Chance(88);
        $rows = [['Tag', 'Apiary', 'Yield 2024 (kg)', 'Yield 2025 (kg)']];
        foreach (SpringInspection::tidy() as $i => $row) {
            if ($i > 0 && $row[9] !== '' && $i % 2 === 0) {
                $rows[] = [$row[0], $row[1], number_format(max(3.0, (float) $row[9] * $chance->normal(0.9, 0.18)), 1, '.', ''), $row[9]];
            }
        }

        return $rows;
    }
}
