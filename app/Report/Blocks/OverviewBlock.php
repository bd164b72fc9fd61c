<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Models\Dataset;
use App\Models\Variable;
use App\Report\Document\Block;
use App\Report\PaperTable;
use App\Report\Record\StatedFigure;
use App\Report\Words\FigureField;
use App\Store\AskedWords;
use App\Store\ProfileAnswer;
use App\Store\ProfileVariables;
use App\Store\UnknownVariable;
use App\Store\VariableSheet;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;

/** A line for each variable: numbers with their figures, categories with their commonest label, dates with their ends. */
final readonly class OverviewBlock implements MakesBlock
{
    private const FIGURES = 'n,missing,mean,sd,min,q1,median,q3,max';

    public function __construct(private ProfileVariables $profile) {}

    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock
    {
        $asked = $asked->with(['by' => null, ...($asked->word('figures') === null ? ['figures' => self::FIGURES] : [])]);
        $of = $asked->list('of') === [] ? array_values($dataset->variables->map(static fn(Variable $variable): string => $variable->key)->all()) : $asked->list('of');
        $question = $asked->question($dataset)->about($of);
        $answer = $this->profile->overview($dataset, $question);
        $notes = [];
        $tables = array_values(array_filter([self::numbers($answer, $asked, $notes), self::labels($answer, $asked), self::dates($answer)], static fn(?PaperTable $table): bool => $table !== null));
        if ($tables === []) {
            throw UnknownVariable::refused('There is nothing to tell of these variables: they are neither numbers, nor categories, nor dates.');
        }

        return new MadeBlock(FiguresBlock::counted($dataset, $answer->rows) . ' ' . $question->basis->words() . Notes::of($notes), $tables);
    }

    /** @param list<string> $notes */
    private static function numbers(ProfileAnswer $answer, AskedWords $asked, array &$notes): ?PaperTable
    {
        $cells = $figures = [];
        foreach ($answer->sheets as $sheet) {
            if ($sheet->variable->type === VariableType::Number) {
                $line = FiguresBlock::cells($answer, $sheet, $asked, $notes);
                $cells[] = [$sheet->variable->nameWithUnit(), ...array_map(static fn(array $figure): string => $figure[1][0][0], $line)];
                foreach ($line as $column => [, $columns]) {
                    if ($columns[0][1] !== null) {
                        $figures[count($cells)][$column + 1] = $columns[0][1];
                    }
                }
            }
        }
        $names = array_map(static fn(Statistic $statistic): string => self::head($statistic, $answer), $answer->question->statistics);

        return $cells === [] ? null : new PaperTable([['Number', ...$names], ...$cells], $figures);
    }

    /** Its symbol, where it has one: a line of whole names would not go across a page. */
    private static function head(Statistic $statistic, ProfileAnswer $answer): string
    {
        $symbol = $statistic->symbol($answer->question->basis->takenAs);

        return $symbol !== '' ? $symbol : match ($statistic->key()) {
            'min' => 'Min',
            'max' => 'Max',
            default => $statistic->label(),
        };
    }

    private static function labels(ProfileAnswer $answer, AskedWords $asked): ?PaperTable
    {
        $cells = [['Category', 'Entries', 'Missing', 'Labels', 'Commonest', 'Count', '%']];
        $figures = [];
        foreach ($answer->sheets as $sheet) {
            $table = $sheet->frequencies;
            if ($sheet->variable->type !== VariableType::Category || $table === null) {
                continue;
            }
            $row = count($cells);
            $commonest = $table->commonest();
            $scale = 10 ** $table->countDecimals;
            $count = static fn(int $own): string => DecimalText::of($own / $scale, $table->countDecimals);
            $cells[] = [
                $sheet->variable->name, $count($table->total(0)), $count($table->missing[0]), (string) count(array_filter($table->counts[0], static fn(int $own): bool => $own > 0)),
                $commonest === null ? '–' : $table->labels[$commonest], $commonest === null ? '–' : $count($table->counts[0][$commonest]), $commonest === null ? '–' : (string) $table->percentOfPresent(0, $commonest),
            ];
            $address = $asked->addressOf($sheet->variable->key);
            $state = static fn(string $figure, string $name, int|float|null $value, int $column): StatedFigure => new StatedFigure($address, $figure, null, "{$name} of {$sheet->variable->name}", $value, $cells[$row][$column]);
            $figures[$row] = [
                1 => $state('entries', 'Entries', $table->total(0) / $scale, 1),
                2 => $state('missing', 'Missing', $table->missing[0] / $scale, 2),
                3 => $state('labels', 'Labels', count(array_filter($table->counts[0], static fn(int $own): bool => $own > 0)), 3),
            ];
            if ($commonest !== null) {
                $group = [$table->labels[$commonest]];
                $name = "{$table->labels[$commonest]} in {$sheet->variable->name}";
                $figures[$row][5] = new StatedFigure($address, FigureField::LABEL_COUNT, $group, "Count of {$name}", $table->counts[0][$commonest] / $scale, $cells[$row][5]);
                $figures[$row][6] = new StatedFigure($address, FigureField::LABEL_SHARE, $group, "Share of {$name}", $table->counts[0][$commonest] / $table->total(0), $cells[$row][6]);
            }
        }

        return count($cells) === 1 ? null : new PaperTable($cells, $figures);
    }

    private static function dates(ProfileAnswer $answer): ?PaperTable
    {
        $lines = array_map(
            static fn(VariableSheet $sheet): array => [$sheet->variable->name, NumberMarks::inForce()->day($sheet->dates['first'] ?? '–'), NumberMarks::inForce()->day($sheet->dates['last'] ?? '–')],
            array_values(array_filter($answer->sheets, static fn(VariableSheet $sheet): bool => $sheet->variable->type === VariableType::Date)),
        );

        return $lines === [] ? null : new PaperTable([['Date', 'First', 'Last'], ...$lines]);
    }
}
