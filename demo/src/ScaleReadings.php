<?php

declare(strict_types=1);

namespace RowTally\Demo;

use Generator;

/** Readings of hive scales, as many as are wanted: for trying what a million rows feel like, and for measuring. */
final class ScaleReadings
{
    private const APIARIES = ['Alder Wick', 'Brook End', 'Coldharbour', 'Dunmere', 'Elm Rise'];

    /** @return Generator<int, string> lines of a CSV file */
    public static function lines(int $rows, int $seed): Generator
    {
        mt_srand($seed);
        yield "Reading,Apiary,Weight (kg),Temperature (°C),Humidity (%),Sound (dB)\n";
        for ($i = 1; $i <= $rows; ++$i) {
            $apiary = mt_rand(0, 4);
            $weight = 2000 + 150 * $apiary + mt_rand(0, 3000) + mt_rand(0, 3000) + ($i % 997 === 0 ? 2000 : 0);
            $temperature = mt_rand(50, 200) + mt_rand(0, 180);
            $sound = 30 + (mt_rand() / mt_getrandmax() + mt_rand() / mt_getrandmax()) * 25;
            yield $i . ',' . self::APIARIES[$apiary]
                . ',' . ($i % 1013 === 0 ? '' : intdiv($weight, 100) . '.' . str_pad((string) ($weight % 100), 2, '0', STR_PAD_LEFT))
                . ',' . intdiv($temperature, 10) . '.' . $temperature % 10
                . ',' . mt_rand(20, 99)
                . ',' . number_format($sound, 6, '.', '') . "\n";
        }
    }
}
