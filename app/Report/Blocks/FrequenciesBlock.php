<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Models\Dataset;
use App\Report\Document\Block;
use App\Report\PaperTable;
use App\Report\Record\StatedFigure;
use App\Report\Words\FigureField;
use App\Store\AskedWords;
use App\Store\ProfileVariables;
use App\Store\UnknownVariable;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Frequency\FrequencyKind;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Profile\RowGrouping;

/** How often each label, value or class occurs, overall and by group: counts, percent of the column, of values also cumulative. */
final readonly class FrequenciesBlock implements MakesBlock
{
    private const MOST_LINES = 400;

    public function __construct(private ProfileVariables $profile) {}

    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock
    {
        $question = $asked->question($dataset);
        $key = $question->of[0] ?? throw UnknownVariable::refused('This table is of no variable. Tick one.');
        $answer = $this->profile->answer($dataset, $question->about([$key]));
        $sheet = $answer->sheets[0];
        $table = $sheet->frequencies ?? throw UnknownVariable::refused("\"{$sheet->variable->name}\" has no frequencies: it is neither a number nor a category.");
        $columns = ['Overall', ...array_map(RowGrouping::name(...), $answer->groups)];
        $hasCumulative = $table->kind !== FrequencyKind::Labels && count($columns) === 1;
        $made = self::table($table, $sheet->variable->nameWithUnit(), $asked->addressOf($key), $columns, [null, ...$answer->groups], $hasCumulative);
        $more = count($table->labels) - self::MOST_LINES;

        return new MadeBlock(
            FiguresBlock::counted($dataset, $answer->rows) . (count($columns) > 1 ? ' Percent of those with an entry in each group.' : ' Percent of those with an entry.') . ($more > 0 ? " The first 400 lines; {$more} more." : '') . ' ' . $question->basis->words(),
            [$made],
        );
    }

    /**
     * @param list<string>                 $columns
     * @param list<list<string|null>|null> $groups
     */
    private static function table(FrequencyTable $table, string $name, string $address, array $columns, array $groups, bool $hasCumulative): PaperTable
    {
        $count = static fn(int $own): string => DecimalText::of($own / 10 ** $table->countDecimals, $table->countDecimals);
        $head = [$name];
        foreach ($columns as $column) {
            array_push($head, count($columns) === 1 ? 'Count' : $column, '%');
        }
        $lines = new Lines($hasCumulative ? [...$head, 'Up to here %'] : $head);
        foreach (array_slice($table->labels, 0, self::MOST_LINES) as $row => $label) {
            $lines->cell($label);
            foreach ($columns as $column => $columnName) {
                $own = $table->counts[$column][$row];
                $group = $groups[$column] === null ? [$label] : [$label, ...$groups[$column]];
                $isLabel = $table->kind === FrequencyKind::Labels && $groups[$column] === null;
                $where = "{$label} in {$name}" . ($groups[$column] === null ? '' : ", {$columnName}");
                $lines->cell($count($own), new StatedFigure($address, $isLabel ? FigureField::LABEL_COUNT : 'count', $group, "Count of {$where}", $own / 10 ** $table->countDecimals, $count($own)));
                $percent = $table->percentOfPresent($column, $row);
                $lines->cell($percent ?? '–', $percent === null ? null : new StatedFigure($address, $isLabel ? FigureField::LABEL_SHARE : 'share', $group, "Share of {$where}", $own / $table->total($column), $percent));
            }
            if ($hasCumulative) {
                $upTo = $table->cumulativePercent(0, $row);
                $lines->cell($upTo ?? '–', $upTo === null ? null : new StatedFigure($address, 'share_up_to', [$label], "Share up to {$label} in {$name}", null, $upTo));
            }
            $lines->end();
        }
        $isMissing = max([0, ...$table->missing]) > 0;
        foreach (['entries' => 'With an entry', ...($isMissing ? ['missing' => 'No entry'] : [])] as $figure => $label) {
            $lines->cell($label);
            foreach ($columns as $column => $columnName) {
                $own = $figure === 'entries' ? $table->total($column) : $table->missing[$column];
                $lines->cell($count($own), new StatedFigure($address, $figure, $groups[$column], "{$label}, {$name}" . ($groups[$column] === null ? '' : ", {$columnName}"), $own / 10 ** $table->countDecimals, $count($own)));
                $lines->cell($figure === 'entries' && $own > 0 ? NumberMarks::inForce()->written('100.0') : '');
            }
            if ($hasCumulative) {
                $lines->cell('');
            }
            $lines->end();
        }

        return $lines->table();
    }
}
