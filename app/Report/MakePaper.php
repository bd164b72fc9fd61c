<?php

declare(strict_types=1);

namespace App\Report;

use App\Models\Dataset;
use App\Models\KeptItem;
use App\Models\Variable;
use App\Store\Changes\History;
use App\Store\KeptReading;
use App\Store\ReadRows;
use App\Store\RowsQuestion;
use App\Store\StoredRows;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Parsing\VariableType;

/** Puts together what is kept of a dataset, what somebody wrote, the rows set aside, and how all of it was done. */
final readonly class MakePaper
{
    private const ASIDE_LISTED = 200;
    private const CHANGES_LISTED = 200;
    private const VARIABLES_LISTED = 8;

    public function __construct(private ReadFields $readFields, private ReadRows $readRows) {}

    public function of(Dataset $dataset): Paper
    {
        $blocks = [];
        [$figures, $tables] = [0, 0];
        foreach ($dataset->keptItems()->get() as $item) {
            $number = match ($item->kind) {
                'picture' => 'Figure ' . ++$figures,
                'table' => 'Table ' . ++$tables,
                default => null,
            };
            $blocks[] = self::block($item, $number, $this->written($dataset, OwnWords::ofStored($item->note)));
        }
        $aside = $this->setAside($dataset);

        return new Paper(
            $dataset->title,
            number_format($dataset->rows) . ' ' . ($dataset->rows === 1 ? $dataset->rowWord()->one : $dataset->rowWord()->many) . ' × ' . $dataset->variables->count() . ' variables',
            $aside === null ? $blocks : [...$blocks, $aside],
            self::method($dataset),
            $dataset->revision,
        );
    }

    /** @param list<list<array{text: string, field: ShownField|null}>> $words */
    private static function block(KeptItem $item, ?string $number, array $words): PaperBlock
    {
        /** @var list<list<string>>|null $cells */
        $cells = $item->kind === 'table' ? json_decode($item->content, true, flags: JSON_THROW_ON_ERROR) : null;

        return new PaperBlock(
            $item->title,
            $number,
            $item->kind === 'picture' ? $item->content : null,
            // The basis stands in the caption.
            $cells === null ? null : array_values(array_filter($cells, static fn(array $row): bool => ($row[0] ?? '') !== 'Basis')),
            $words,
            $item->kind === 'text' ? '' : $item->basis,
            $item->kind === 'reading' ? KeptReading::ofText($item->content)?->sentence : null,
        );
    }

    /** @return list<list<array{text: string, field: ShownField|null}>> */
    private function written(Dataset $dataset, OwnWords $words): array
    {
        if ($words->isEmpty()) {
            return [];
        }
        $shown = $this->readFields->of($dataset, $words->fields());
        $paragraphs = [];
        foreach ($words->paragraphs as $pieces) {
            $paragraph = [];
            foreach ($pieces as $piece) {
                $field = $piece instanceof FigureField ? array_shift($shown) : null;
                $paragraph[] = ['text' => is_string($piece) ? $piece : ($field === null ? '' : $field->text ?? "[no {$field->name}: {$field->why}]"), 'field' => $field];
            }
            $paragraphs[] = $paragraph;
        }

        return $paragraphs;
    }

    private function setAside(Dataset $dataset): ?PaperBlock
    {
        if ($dataset->set_aside === 0 || $dataset->variables->contains('name', StoredRows::ASIDE)) {
            return null;
        }
        $isName = static fn(Variable $variable): bool => $variable->type === VariableType::Id;
        $variables = array_slice([...$dataset->variables->filter($isName)->all(), ...$dataset->variables->reject($isName)->all()], 0, self::VARIABLES_LISTED);
        $keys = array_map(static fn(Variable $variable): string => $variable->key, $variables);
        $answer = $this->readRows->window($dataset, new RowsQuestion($keys, where: 'not missing(' . Condition::name(StoredRows::ASIDE) . ')', count: self::ASIDE_LISTED));
        $cells = [['Row', ...array_map(static fn(Variable $variable): string => $variable->nameWithUnit(), $variables), 'Set aside because']];
        foreach ($answer->rows as $place => $row) {
            $cells[] = [(string) $row, ...array_map(static fn(Variable $variable): string => $answer->cells[$variable->key][$place] ?? '', $variables), $answer->aside[$place] ?? ''];
        }

        return new PaperBlock('Set aside', null, cells: $cells, caption: number_format($dataset->set_aside) . ' of ' . number_format($dataset->rows) . ' are in no figure that was made since' . ($dataset->set_aside > self::ASIDE_LISTED ? '; the first ' . self::ASIDE_LISTED . ' are listed.' : '.'));
    }

    /** @return list<array{name: string, lines: list<string>}> */
    private static function method(Dataset $dataset): array
    {
        $history = History::of($dataset);
        $changes = [];
        foreach (array_reverse($history->changes) as $change) {
            if ($change->number > 1) {
                $changes[] = "{$change->number}: {$change->summary}";
            }
        }
        $made = [];
        foreach ($dataset->variables as $variable) {
            if ($variable->made !== null) {
                $made[] = "{$variable->nameWithUnit()} = {$variable->made['formula']}" . ($variable->made['frozen'] ? ', as it was when it stopped following' : '');
            }
        }
        $more = count($changes) - self::CHANGES_LISTED;

        return array_values(array_filter([
            ['name' => 'Where the rows come from', 'lines' => [$dataset->source === null || $dataset->source === '' ? 'Entered by hand.' : $dataset->source, ...$dataset->notes]],
            ['name' => 'Changes to the data', 'lines' => $changes === [] ? ['None.'] : [...array_slice($changes, 0, self::CHANGES_LISTED), ...($more > 0 ? ["and {$more} more"] : [])]],
            ['name' => 'Made variables', 'lines' => $made],
            ['name' => 'Made with', 'lines' => ["Row Tally, of revision {$dataset->revision} of the data."]],
        ], static fn(array $part): bool => $part['lines'] !== []));
    }
}
