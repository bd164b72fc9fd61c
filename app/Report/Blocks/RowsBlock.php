<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Models\Dataset;
use App\Models\Variable;
use App\Report\Document\Block;
use App\Report\Record\StatedFigure;
use App\Store\AskedWords;
use App\Store\ReadRows;
use App\Store\RowsQuestion;
use App\Store\StoredRows;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;

/** The rows that a condition leaves, with chosen variables; those set aside with their reasons. */
final readonly class RowsBlock implements MakesBlock
{
    private const MOST_ROWS = 200;
    private const VARIABLES_UNCHOSEN = 8;

    public function __construct(private ReadRows $readRows) {}

    /** The condition that leaves the rows set aside. */
    public static function asideCondition(): string
    {
        return 'not missing(' . Condition::name(StoredRows::ASIDE) . ')';
    }

    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock
    {
        $of = $asked->list('of');
        if ($of === []) {
            $isName = static fn(Variable $variable): bool => $variable->type === VariableType::Id;
            $variables = array_slice([...$dataset->variables->filter($isName)->all(), ...$dataset->variables->reject($isName)->all()], 0, self::VARIABLES_UNCHOSEN);
            $of = array_map(static fn(Variable $variable): string => $variable->key, $variables);
        }
        $where = $asked->word('where');
        $answer = $this->readRows->window($dataset, new RowsQuestion($of, where: $where, count: self::MOST_ROWS, basis: $asked->with(['where' => null])->question($dataset)->basis));
        $hasReasons = $answer->aside !== [];
        $lines = new Lines(['Row', ...array_map(static fn(Variable $variable): string => $variable->nameWithUnit(), $answer->variables), ...($hasReasons ? ['Set aside because'] : [])]);
        foreach ($answer->rows as $place => $row) {
            $lines->cell((string) $row);
            foreach ($answer->variables as $variable) {
                $text = $answer->cells[$variable->key][$place] ?? '';
                $shown = in_array($place, $answer->unread[$variable->key] ?? [], true) ? $text : self::shown($variable, $text);
                $lines->cell($shown, $text === '' ? null : new StatedFigure("of={$variable->key}", 'cell', [(string) $row], "Row {$row}, {$variable->nameWithUnit()}", null, $shown));
            }
            if ($hasReasons) {
                $lines->cell($answer->aside[$place] ?? '');
            }
            $lines->end();
        }
        $total = NumberMarks::count($answer->total);

        return new MadeBlock(
            "{$total} of " . NumberMarks::count($dataset->rows) . ' rows' . ($where === null ? '' : ($where === self::asideCondition() ? ' are set aside: no figure counts them' : " where {$where}")) . ($answer->total > self::MOST_ROWS ? '; the first ' . self::MOST_ROWS . ' are listed.' : '.'),
            [$lines->table()],
            figures: [new StatedFigure('', 'rows_left', [$where], 'Rows that the condition leaves', $answer->total, $total)],
        );
    }

    /** A cell that could be read, with the marks in force. */
    private static function shown(Variable $variable, string $text): string
    {
        return match ($variable->type) {
            VariableType::Number => NumberMarks::inForce()->written($text),
            VariableType::Date => NumberMarks::inForce()->day($text),
            default => $text,
        };
    }
}
