<?php

declare(strict_types=1);

namespace RowTally\Demo;

/** Fenmoor Beekeepers' Association, spring inspection: 236 hives, tidy and as the keepers sent it. */
final class SpringInspection
{
    private const HIVES = 236;
    private const APIARIES = ['Alder Wick' => ['AW', 15.6], 'Brook End' => ['BE', 19.2], 'Coldharbour' => ['CH', 14.4], 'Dunmere' => ['DU', 22.8]];
    private const HEADER = [
        'Tag', 'Apiary', 'Hive type', 'Queen year', 'Autumn weight (kg)', 'Spring weight (kg)', 'Mites before (per 300 bees)',
        'Mites after (per 300 bees)', 'Brood frames (frames)', 'Honey yield (kg)', 'Temper', 'Inspection time (min)',
    ];

    /** @return list<list<string>> header and rows */
    public static function tidy(): array
    {
        $chance = new Chance(20260412);
        $rows = [];
        $counters = array_fill_keys(array_keys(self::APIARIES), 0);
        for ($i = 0; $i < self::HIVES; ++$i) {
            $apiary = $chance->pick(array_keys(self::APIARIES), [64, 60, 62, 50]);
            $rows[] = self::hive($chance, $apiary, ++$counters[$apiary]);
        }
        sort($rows);
        array_unshift($rows, self::HEADER);
        // Three strong colonies on the lime avenue.
        $limeAvenue = [41 => '58.3', 118 => '63.4', 203 => '66.0'];

        return array_map(
            static fn(array $row, int $i): array => isset($limeAvenue[$i]) ? [...array_slice($row, 0, 9), $limeAvenue[$i], ...array_slice($row, 10)] : $row,
            $rows,
            array_keys($rows),
        );
    }

    /** @return list<string> */
    private static function hive(Chance $chance, string $apiary, int $number): array
    {
        [$prefix, $typicalYield] = self::APIARIES[$apiary];
        $autumn = max(14.0, $chance->normal(31.5, 4.2));
        $isDead = $chance->happens(0.05);
        $spring = $autumn - max(2.0, $chance->normal(9.4, 2.1));
        $before = (int) max(0, $chance->normal(7.5, 6.0));
        $after = $chance->happens(0.45) ? 0 : (int) max(0, $chance->normal($before / 3, 1.5));
        $skew = 1.0 + ($chance->uniform() ** 3) * 0.75;
        $yield = max(5.2, $chance->normal($typicalYield, $typicalYield / 5) * $skew);

        return [
            sprintf('%s-%03d', $prefix, $number),
            $apiary,
            $chance->pick(['National', 'Langstroth', 'Top bar'], [120, 80, 36]),
            (string) $chance->pick([2022, 2023, 2024, 2025], [16, 48, 96, 76]),
            self::decimal($autumn),
            $isDead ? '' : self::decimal($spring),
            (string) $before,
            $isDead ? '' : (string) $after,
            $isDead ? '0' : (string) max(0, min(11, (int) round($chance->normal(6.2, 2.1)))),
            $isDead || $chance->happens(0.01) ? '' : self::decimal($yield),
            (string) $chance->pick([1, 2, 3, 4, 5], [14, 30, 78, 82, 32]),
            (string) max(4, (int) round($chance->normal(17, 5) * (1 + $chance->uniform() ** 3))),
        ];
    }

    /** @return list<string> lines as the keepers sent them: semicolons, decimal commas, odd marks, a blank line and a total row */
    public static function asSent(): array
    {
        $chance = new Chance(7);
        $lines = [];
        $total = 0;
        foreach (self::tidy() as $i => $row) {
            if ($i > 0) {
                $total += (int) str_replace('.', '', $row[9] === '' ? '0' : $row[9]);
                foreach ([4, 5, 9] as $column) {
                    $row[$column] = str_replace('.', ',', $row[$column]);
                }
                if ($row[5] === '') {
                    $row[5] = $chance->pick(['n/a', '–', ''], [3, 3, 4]);
                }
                if ($i === 57) {
                    $row[9] .= ' kg';
                }
                if ($chance->happens(0.02)) {
                    $row[1] = strtoupper($row[1]);
                }
            }
            $lines[] = implode(';', $row);
            if ($i === 120) {
                $lines[] = '';
            }
        }
        $lines[] = 'Total;;;;;;;;;' . intdiv($total, 10) . ',' . $total % 10 . ';;';

        return $lines;
    }

    private static function decimal(float $value): string
    {
        return number_format($value, 1, '.', '');
    }
}
