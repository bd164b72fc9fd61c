<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\Finding;

/** New rows at the end. */
final readonly class AddRows implements Change
{
    public const MOST_ROWS = 10_000;

    /** @param list<array<array-key, string>> $rows key of a variable, which may be a whole number => what was typed; what is not named is missing */
    public function __construct(
        private array $rows,
        private bool $anyway = false,
    ) {}

    public function kind(): string
    {
        return 'add-rows';
    }

    public function apply(DraftRevision $draft): string
    {
        $findings = [];
        $typed = $into = [];
        foreach ($this->rows as $i => $row) {
            foreach ($row as $key => $text) {
                [$id, $cells] = $into[$key] ??= self::into($draft->variable((string) $key));
                $cell = $cells->read($text);
                if (!$cell->isRead && !$this->anyway) {
                    $findings[] = $cell->finding($draft->dataset->rows + $i + 1);
                }
                $typed[$id][$i] = $cell->text;
            }
        }
        if ($findings !== []) {
            /** @var non-empty-list<Finding> $findings */
            throw new ChangeRefused($findings);
        }
        $layout = $draft->layout();
        $last = count($layout) - 1;
        $room = $last < 0 ? 0 : max(0, Chunk::ROWS - $layout[$last]);
        $count = count($this->rows);
        foreach ($draft->variables() as $variable) {
            $cells = [];
            for ($i = 0; $i < $count; ++$i) {
                $cells[] = $typed[$variable->id][$i] ?? '';
            }
            if ($room > 0) {
                $draft->put($variable, $last, [...$draft->cells($variable, $last), ...array_slice($cells, 0, $room)]);
            }
            foreach (array_chunk(array_slice($cells, $room), Chunk::ROWS) as $i => $chunk) {
                $draft->put($variable, $last + 1 + $i, $chunk);
            }
        }
        $draft->dataset->rows += $count;

        return $count === 1 ? "Row {$draft->dataset->rows} added" : NumberMarks::keptCount($count) . ' rows added';
    }

    /** @return array{int, TypedCells} */
    private static function into(Variable $variable): array
    {
        return [$variable->id, TypedCells::into($variable)];
    }
}
