<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Models\Dataset;
use App\Report\Document\Block;
use App\Report\PaperTable;
use App\Report\Record\StatedFigure;
use App\Store\AskedWords;
use App\Store\GroupedVariable;
use App\Store\StoredGrouping;
use App\Store\Tallies;
use App\Store\UnknownVariable;
use Brick\Math\BigRational;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Values\Exact;
use RowTally\Core\Working\Written;

/** A table of classes with counts, as it is taken, and the figures that are estimated from it. */
final readonly class ClassesBlock implements MakesBlock
{
    public function __construct(private GroupedVariable $grouped, private Tallies $tallies) {}

    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock
    {
        $question = $asked->question($dataset);
        $key = $question->of[0] ?? throw UnknownVariable::refused('This table is of no variable. Tick one.');
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);
        $columns = $asked->list('count_columns');
        $profile = $this->grouped->profile($dataset, $question, $asked->classReading(), $columns);
        $names = ['Overall', ...($columns === [] ? $this->groups($dataset, $asked) : array_map(static fn(string $own): string => $dataset->variables->firstWhere('key', $own)->name ?? $own, $columns))];
        $address = $asked->with(['figures' => null, 'percentiles' => null])->toAddress();

        return new MadeBlock($question->basis->words() . ' ' . $profile->words(array_slice($names, 1)), [
            self::classes($profile, $variable->nameWithUnit(), $names, $address),
            self::figures($profile, $variable->nameWithUnit(), $names, $address, $asked, $dataset),
        ]);
    }

    /** @return list<string> */
    private function groups(Dataset $dataset, AskedWords $asked): array
    {
        $question = $asked->question($dataset);
        $grouping = StoredGrouping::of($dataset, $question, $this->tallies);

        return array_map(static fn(int $group): string => RowGrouping::name($grouping->labels[$group]), $grouping->shownGroups($question->showsNoEntry));
    }

    /** @param list<string> $names */
    private static function classes(GroupedProfile $profile, string $name, array $names, string $address): PaperTable
    {
        $head = [$name, 'From … to', 'Midpoint'];
        foreach (array_keys($profile->columns) as $column) {
            array_push($head, count($profile->columns) === 1 ? 'Count' : $names[$column] ?? '', '%');
        }
        $lines = new Lines($head);
        foreach ($profile->columns[0]->table->rows as $i => $row) {
            $lines->cell($row->label);
            $lines->cell(Written::number($row->lower) . ' to ' . Written::number($row->upper));
            $lines->cell(Written::number($row->midpoint));
            foreach ($profile->columns as $column => $own) {
                $count = $own->table->rows[$i]->count;
                $share = $own->n()->isZero() ? null : Exact::toFloat($count->dividedBy($own->n()));
                $text = DecimalText::of(self::number($count), $profile->countDecimals);
                $group = $column === 0 ? [$row->label] : [$row->label, $names[$column] ?? ''];
                $where = "{$row->label}, {$name}" . ($column === 0 ? '' : ', ' . ($names[$column] ?? ''));
                $lines->cell($text, new StatedFigure($address, 'class_count', $group, "Count of {$where}", self::number($count), $text));
                $percent = $share === null ? '–' : DecimalText::of(100 * $share, 1);
                $lines->cell($percent, $share === null ? null : new StatedFigure($address, 'class_share', $group, "Share of {$where}", $share, $percent));
            }
            $lines->end();
        }

        return $lines->table();
    }

    /** @param list<string> $names */
    private static function figures(GroupedProfile $profile, string $name, array $names, string $address, AskedWords $asked, Dataset $dataset): PaperTable
    {
        $basis = $asked->question($dataset)->basis;
        $lines = new Lines(['Estimated from the classes', ...array_slice($names, 0, count($profile->columns))]);
        foreach ($profile->figures($basis) as $estimate) {
            $lines->cell(trim("{$estimate['label']} {$estimate['symbol']}"));
            foreach ($estimate['figures'] as $column => $figure) {
                $text = $profile->text($figure, $estimate['shownAs'], $basis);
                $group = $column === 0 ? null : [$names[$column] ?? ''];
                $lines->cell($text ?? '–', $text === null ? null : new StatedFigure($address, "class_{$estimate['key']}", $group, "{$estimate['label']} of {$name}" . ($group === null ? '' : ", {$group[0]}"), $figure->value, $text));
            }
            $lines->end();
        }

        return $lines->table();
    }

    private static function number(BigRational $ratio): float
    {
        return Exact::toFloat($ratio) ?? 0.0;
    }
}
