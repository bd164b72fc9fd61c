<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\Finding;
use RowTally\Core\Parsing\VariableType;

/** New texts in single cells. What is typed is checked against the variable's type; what does not fit is kept only if asked for. */
final readonly class EditCells implements Change
{
    public const MOST_CELLS = 100_000;

    /**
     * @param list<array{row: int, variable: string, text: string}> $edits  rows from 1
     * @param bool                                                  $anyway keep what cannot be read as text that counts as missing
     */
    public function __construct(
        private array $edits,
        private bool $anyway = false,
    ) {}

    public function kind(): string
    {
        return 'edit-cells';
    }

    public function apply(DraftRevision $draft): string
    {
        /** @var array<array-key, array<int, array<int, string>>> $byChunk by the variable's key, which may be a whole number */
        $byChunk = [];
        $findings = $into = [];
        foreach ($this->edits as $edit) {
            $cells = $into[$edit['variable']] ??= self::into($draft->variable($edit['variable']));
            if ($cells instanceof Finding) {
                $findings[] = $cells;
                continue;
            }
            [$chunk, $place] = $draft->place($edit['row']);
            $cell = $cells->read($edit['text']);
            if (!$cell->isRead && !$this->anyway) {
                $findings[] = $cell->finding($edit['row']);
            }
            $byChunk[$edit['variable']][$chunk][$place] = $cell->text;
        }
        if ($findings !== []) {
            throw new ChangeRefused($findings);
        }
        $said = '';
        $changed = 0;
        foreach ($byChunk as $key => $chunks) {
            $variable = $draft->variable((string) $key);
            foreach ($chunks as $chunk => $places) {
                $stood = $draft->amend($variable, $chunk, $places);
                $changed += count($stood);
                foreach (count($this->edits) === 1 ? $stood : [] as $place => $before) {
                    $said = sprintf('%s in row %d: %s became %s', $variable->name, $this->edits[0]['row'], self::quoted($variable, $before), self::quoted($variable, $places[$place]));
                }
            }
        }

        if ($changed === 0) {
            throw ChangeRefused::because('no-change', 'Nothing would be different.', 'another entry', 'Type something else.');
        }

        return count($this->edits) === 1 ? $said : count($this->edits) . ' cells of ' . implode(', ', array_map(static fn(int|string $key): string => $draft->variable((string) $key)->name, array_keys($byChunk))) . ' changed';
    }

    /** What reads its cells, or why they are not typed. */
    private static function into(Variable $variable): TypedCells|Finding
    {
        return $variable->made !== null && !$variable->made['frozen']
            ? new Finding('made', "“{$variable->name}” is made from other variables, so its cells follow them.", 'a cell that was typed or came in', 'Change what it is made from, or freeze it first.')
            : TypedCells::into($variable);
    }

    /** A number is kept so that whoever reads it has it with their marks. */
    private static function quoted(Variable $variable, string $text): string
    {
        $short = mb_strimwidth($text, 0, 40, '…');

        return $text === '' ? 'missing' : '“' . ($variable->type === VariableType::Number ? NumberMarks::keptNumber($short) : $short) . '”';
    }
}
