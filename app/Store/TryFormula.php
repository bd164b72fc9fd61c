<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Marks\NumberMarks;

/** A formula on the first rows that have all of its inputs, before anything is made of it. */
final readonly class TryFormula
{
    private const ROWS = 5;
    /** Where the first rows lack an input, the search for others ends after so many steps: some seconds. */
    private const MOST_STEPS = 5_000_000;

    public function __construct(private Tallies $tallies) {}

    /**
     * @return array{kind: string, inputs: list<string>, rows: list<array{row: int, inputs: list<string>, result: string}>, no_result: list<string>}
     *
     * @throws FormulaError
     */
    public function on(Dataset $dataset, string $text): array
    {
        $stored = StoredRows::of($dataset, $this->tallies);
        $formula = Formula::of($text, $stored->names());
        $rows = [];
        $before = 0;
        foreach ($stored->layout as $chunk => $count) {
            $results = $formula->cells($stored->at($chunk));
            $inputs = array_map(static fn(string $name): array => array_map(
                static fn(?string $value): string => $value ?? '',
                $stored->texts($name),
            ), $formula->names);
            foreach ($results as $i => $result) {
                $of = array_column($inputs, $i);
                if (!in_array('', $of, true)) {
                    $rows[] = ['row' => $before + $i + 1, 'inputs' => $of, 'result' => $result];
                }
                if (count($rows) === self::ROWS) {
                    break 2;
                }
            }
            $before += $count;
            if ($before * $formula->parts > self::MOST_STEPS) {
                break;
            }
        }

        return [
            'kind' => match ($formula->kind()) {
                Kind::Number => 'number',
                Kind::Text => 'text',
                Kind::Truth => 'condition',
            },
            'inputs' => $formula->names,
            'rows' => $rows,
            'no_result' => array_map(static fn(string $reason, int $count): string => ($count === 1 ? 'One row has' : NumberMarks::count($count) . ' rows have') . " no result: {$reason}", array_keys($stored->reasons()), $stored->reasons()),
        ];
    }
}
