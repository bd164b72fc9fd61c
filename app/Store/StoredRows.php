<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Columns\ColumnCells;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\RowsMarked;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Formula\Names;
use RowTally\Core\Formula\Node\Named;
use RowTally\Core\Formula\Node\Node;
use RowTally\Core\Formula\NumberCells;
use RowTally\Core\Formula\Rows;
use RowTally\Core\Formula\Summary;
use RowTally\Core\Parsing\VariableType;

/** The rows of a dataset, one chunk at a time, for formulas: `at()` says which chunk is meant. */
final class StoredRows implements Rows
{
    /** What conditions call the reasons of rows set aside, also where there are none; unless a variable has that name. */
    public const ASIDE = 'Set aside';

    /** @var array<string, Variable> by name */
    private array $variables = [];
    /** @var array<string, EncodedCells> by variable and chunk */
    private array $read = [];
    private int $chunk = 0;
    /** @var array<int, Summary> */
    private array $summaries = [];
    /** @var array<string, int> why rows have no result => how many */
    private array $reasons = [];
    /** @var list<int> rows of each chunk */
    public readonly array $layout;

    /**
     * @param iterable<Variable> $variables
     * @param Variable|null      $aside     the reasons of rows set aside, which whole variables are looked at without; null = there are none
     * @param bool               $tallied   whether what was counted of whole variables holds for this revision
     */
    public function __construct(
        iterable $variables,
        private readonly int $revision,
        private readonly Tallies $tallies,
        private readonly ?Variable $aside,
        private readonly bool $tallied = true,
    ) {
        $any = null;
        foreach ($variables as $variable) {
            if ($variable->deleted_revision === null) {
                $this->variables[$variable->name] = $variable;
            }
            $any ??= $variable;
        }
        $this->layout = $any === null ? [] : StoredColumns::layout($any->id, $revision);
    }

    public static function of(Dataset $dataset, Tallies $tallies): self
    {
        $aside = $dataset->aside();

        return new self($aside === null || $dataset->variables->contains('name', self::ASIDE) ? $dataset->variables : [...$dataset->variables, $aside], $dataset->revision, $tallies, $aside);
    }

    public function names(): Names
    {
        // Put together so that names which look like whole numbers stay as they are.
        return new Names(array_map(static fn(Variable $variable): array => [
            'kind' => $variable->type === VariableType::Number ? Kind::Number : Kind::Text,
            'decimals' => $variable->type === VariableType::Number ? $variable->decimals : null,
        ], $this->variables) + [self::ASIDE => ['kind' => Kind::Text, 'decimals' => null]]);
    }

    public function variable(string $name): Variable
    {
        return $this->variables[$name] ?? throw UnknownVariable::named($name);
    }

    public function at(int $chunk): self
    {
        Underway::tell('Looking at each row', $chunk, count($this->layout));
        $this->chunk = $chunk;
        // Only the chunk at hand is kept.
        $this->read = [];

        return $this;
    }

    public function count(): int
    {
        return $this->layout[$this->chunk] ?? 0;
    }

    public function numbers(string $name): array
    {
        $variable = $this->variable($name);

        // What could not be read is missing, whatever text stands there.
        return NumberCells::of(new NumberColumn($variable->decimals, $variable->dictionary, []), $this->encoded($name)->chunk);
    }

    public function texts(string $name): array
    {
        if ($name === self::ASIDE && !isset($this->variables[$name])) {
            return array_fill(0, $this->count(), null);
        }

        return array_map(static fn(string $cell): ?string => $cell === '' ? null : $cell, $this->cells($name, new EncodedCells($this->encoded($name)->chunk)));
    }

    public function summary(Node $number, Basis $basis): Summary
    {
        return $this->summaries[spl_object_id($number)] ??= $this->summarised($number, $basis);
    }

    public function noResult(string $reason): void
    {
        $this->reasons[$reason] = ($this->reasons[$reason] ?? 0) + 1;
    }

    /** @return array<string, int> */
    public function reasons(): array
    {
        return $this->reasons;
    }

    private function summarised(Node $number, Basis $basis): Summary
    {
        if ($number instanceof Named && $this->tallied) {
            return Summary::of($this->tallies->inForce($this->variable($number->name), [], $this->aside, $this->revision)[0]->values, $basis);
        }
        $here = $this->chunk;
        $values = [];
        $aside = $this->aside === null ? [] : RowsMarked::by(StoredColumns::payloads($this->aside->id, $this->revision))->places();
        foreach (array_keys($this->layout) as $chunk) {
            foreach (Summary::present(array_diff_key($number->of($this->at($chunk)), array_flip($aside[$chunk] ?? []))) as $value) {
                $values[] = $value;
            }
        }
        $this->at($here);

        return Summary::ofNumbers($values, $number->decimals(), $basis);
    }

    private function encoded(string $name): EncodedCells
    {
        return $this->read[$name] ??= StoredColumns::encoded($this->variable($name), $this->revision, $this->chunk)[$this->chunk];
    }

    /** @return list<string> */
    private function cells(string $name, EncodedCells $encoded): array
    {
        $variable = $this->variable($name);

        return ColumnCells::of($encoded, $variable->dictionary, $variable->decimals);
    }
}
