<?php

declare(strict_types=1);

namespace RowTally\Demo;

/** The files under demo/, by name, and what each is called in the application. */
final class DemoFiles
{
    /** Files that a new installation begins with, the first one on top of the list. */
    public const LOADED = [
        'spring-inspection.csv' => 'Spring inspection',
        'honey-two-seasons.csv' => 'Honey yield, two seasons',
        'swarm-call-outs.csv' => 'Swarm call-outs',
        'queen-cells.csv' => 'Queen cells per hive',
        'honey-by-experience.csv' => "Honey harvest by keeper's years of experience",
    ];

    /** @return array<string, string> file name => content */
    public static function contents(): array
    {
        return [
            'spring-inspection.csv' => self::csv(SpringInspection::tidy()),
            'spring-inspection-as-sent.csv' => implode("\n", SpringInspection::asSent()) . "\n",
            'honey-by-experience.csv' => self::csv(SmallTables::harvestByExperience()),
            'queen-cells.csv' => self::csv(SmallTables::queenCells()),
            'swarm-call-outs.csv' => self::csv(SmallTables::swarmCallOuts()),
            'honey-two-seasons.csv' => self::csv(SmallTables::twoSeasons()),
        ];
    }

    /** @param list<list<string>> $rows cells without commas or quotation marks */
    private static function csv(array $rows): string
    {
        return implode('', array_map(static fn(array $row): string => implode(',', $row) . "\n", $rows));
    }
}
