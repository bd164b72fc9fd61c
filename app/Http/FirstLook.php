<?php

declare(strict_types=1);

namespace App\Http;

use App\Drawing\MicroScene;
use App\Drawing\Palette;
use App\Http\Resources\FigureRows;
use App\Models\Dataset;
use App\Models\Variable;
use App\Store\ProfileAnswer;
use App\Store\VariableSheet;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Values\Figure;

/**
 * The figures of a profile as they stand in the page before its scripts are there (resources/views/first-look): the same texts in the same
 * places, to be read and not yet to be pressed. With the marks in force.
 */
final readonly class FirstLook
{
    /** So many fill the tallest window. */
    private const MOST_LINES = 60;
    /** From so many characters on, a unit is not told again with a square. */
    private const LONG_UNIT = 8;

    public function __construct(
        private Dataset $dataset,
        private ProfileAnswer $answer,
        /** Whether all variables are looked at at once. */
        public bool $isOverview,
    ) {}

    public function title(): string
    {
        return $this->dataset->title;
    }

    public function size(): string
    {
        $rows = $this->dataset->rows;

        return NumberMarks::count($rows) . ' ' . ($rows === 1 ? $this->dataset->row_one ?? 'row' : $this->dataset->row_many ?? 'rows')
            . ' × ' . self::counted($this->dataset->variables->count(), 'variable');
    }

    /** The basis of every figure, as the page has it in one sentence. */
    public function basis(): string
    {
        [$one, $many] = [$this->dataset->row_one ?? 'row', $this->dataset->row_many ?? 'rows'];
        $only = $this->answer->question->basis->counts === null && !$this->isOverview && count($this->answer->sheets) === 1 ? $this->answer->sheets[0]->frequencies?->total(0) : null;
        [$in, $all] = [$only ?? $this->answer->rows, $this->dataset->rows];
        $rows = match (true) {
            $in < $all => NumberMarks::count($in) . ' of ' . NumberMarks::count($all) . ' ' . ($all === 1 ? $one : $many),
            $all === 1 => "The only {$one}",
            default => 'All ' . NumberMarks::count($all) . " {$many}",
        };

        return $rows . ', ' . lcfirst($this->answer->question->basis->words());
    }

    public function isSplit(): bool
    {
        return $this->answer->question->by !== [];
    }

    /** @return list<array{name: string, note: string, is_chosen: bool, bars: string|null}> */
    public function variables(): array
    {
        return array_map(fn(Variable $variable): array => [
            'name' => $variable->name,
            'note' => $variable->type->value === 'number' ? $variable->unit ?? '' : $variable->type->value,
            'is_chosen' => !$this->isOverview && in_array($variable->key, $this->answer->question->of, true),
            'bars' => self::bars($variable),
        ], array_values($this->dataset->variables->take(self::MOST_LINES)->all()));
    }

    /** @return list<array{name: string, colour: string}> overall, then each group */
    public function columns(): array
    {
        $names = ['Overall', ...array_map(RowGrouping::name(...), $this->answer->groups)];

        return array_map(static fn(int $place): array => [
            'name' => $names[$place],
            'colour' => Palette::laneOnScreen($place),
        ], array_keys($names));
    }

    /** @return list<array{key: string, label: string, symbol: string, shown_as: string}> what the figures of an overview are called */
    public function heads(): array
    {
        return array_map(fn(Statistic $statistic): array => FigureRows::names($statistic, $this->answer->question), $this->answer->question->statistics);
    }

    /** @return list<array{name: string, unit: string, note: string, bars: string|null, rows: list<array{key: string, label: string, symbol: string, squared: string, cells: list<array{text: string, room: string, reason: string|null}>}>}> */
    public function sheets(): array
    {
        return array_map(fn(VariableSheet $sheet): array => [
            'name' => $sheet->variable->name,
            'unit' => $sheet->variable->unit ?? '',
            'note' => $sheet->variable->missing === 0 ? 'every row has an entry' : self::counted($sheet->variable->missing, 'row') . ' without a value',
            'bars' => self::bars($sheet->variable),
            'rows' => $this->rows($sheet),
        ], array_slice($this->answer->sheets, 0, self::MOST_LINES));
    }

    /** @return list<array{key: string, label: string, symbol: string, squared: string, cells: list<array{text: string, room: string, reason: string|null}>}> */
    private function rows(VariableSheet $sheet): array
    {
        $question = $this->answer->question;
        $display = new FigureText($question->basis, $sheet->variable->shown_decimals ?? $sheet->variable->decimals, $sheet->countDecimals);
        $texts = array_map(static fn(array $row): array => array_map(static fn(Figure $figure): ?string => $display->of($row['statistic'], $figure), $row['figures']), $sheet->rows);
        $most = 0;
        foreach ($sheet->rows as $place => $row) {
            $most = $row['statistic']->shownAs() === ShownAs::Unit ? max([$most, ...array_map(self::decimals(...), $texts[$place])]) : $most;
        }

        return array_map(static function (array $row, array $texts) use ($question, $sheet, $most): array {
            ['key' => $key, 'label' => $label, 'symbol' => $symbol] = FigureRows::names($row['statistic'], $question);
            $shownAs = $row['statistic']->shownAs();
            $hasRoom = $shownAs === ShownAs::Unit || $shownAs === ShownAs::Rows;

            return [
                'key' => $key,
                'label' => $label,
                'symbol' => $symbol,
                'squared' => $shownAs === ShownAs::UnitSquared && $sheet->variable->unit !== null && mb_strlen($sheet->variable->unit) < self::LONG_UNIT ? $sheet->variable->unit . '²' : '',
                'cells' => array_map(static fn(?string $text, Figure $figure): array => [
                    'text' => $text ?? '',
                    'room' => $text !== null && $hasRoom ? self::room($most, self::decimals($text)) : '',
                    'reason' => $text === null ? $figure->reason?->value : null,
                ], $texts, $row['figures']),
            ];
        }, $sheet->rows, $texts);
    }

    /** What keeps the points of a column below one another. */
    private static function room(int $most, int $own): string
    {
        return $own >= $most ? '' : ($own === 0 ? self::mark() : '') . str_repeat('0', $most - $own);
    }

    private static function decimals(?string $text): int
    {
        return preg_match('/' . preg_quote(self::mark(), '/') . '([0-9]+)$/', $text ?? '', $part) === 1 ? strlen($part[1]) : 0;
    }

    private static function mark(): string
    {
        return NumberMarks::DECIMAL[NumberMarks::inForce()->decimal];
    }

    private static function bars(Variable $variable): ?string
    {
        $path = MicroScene::of($variable->microCounts())->marks()[0]['d'] ?? null;

        return is_string($path) ? $path : null;
    }

    private static function counted(int $count, string $one): string
    {
        return NumberMarks::count($count) . " {$one}" . ($count === 1 ? '' : 's');
    }
}
