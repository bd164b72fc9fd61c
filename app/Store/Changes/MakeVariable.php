<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Dataset;
use App\Models\Variable;
use App\Store\StoredRows;
use App\Store\Tallies;
use App\Store\VariableKeys;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Formula\Kind;
use RowTally\Core\Parsing\VariableType;

/** A new variable by a formula over others, which it follows from then on. */
final readonly class MakeVariable implements TakesLong
{
    public function __construct(
        private FollowInputs $followInputs,
        private Tallies $tallies,
        private string $name,
        private string $formula,
        private ?string $unit,
        private ?string $description,
    ) {}

    public function kind(): string
    {
        return 'make-variable';
    }

    /** @throws FormulaError */
    public function steps(Dataset $dataset): int
    {
        return $dataset->rows * Formula::of($this->formula, StoredRows::of($dataset, $this->tallies)->names())->parts;
    }

    /** @throws FormulaError */
    public function apply(DraftRevision $draft): string
    {
        $rows = new StoredRows($draft->variables(), $draft->number, $this->tallies, $draft->asideInForce(), false);
        $formula = Formula::of($this->formula, $rows->names());
        $variable = self::added($draft, $this->name, $formula->kind() === Kind::Number ? VariableType::Number : VariableType::Category);
        $variable->fill([
            'unit' => $this->unit,
            'description' => $this->description,
            'made' => [
                'formula' => $this->formula,
                'inputs' => array_map(static fn(string $name): int => $rows->variable($name)->id, $formula->names),
                'frozen' => false,
            ],
        ]);
        $this->followInputs->workOut($draft, $variable, anew: true);
        $draft->differences()->forget($variable);

        return "{$variable->name} made: {$this->formula}";
    }

    /** A variable without cells yet, behind the others. */
    public static function added(DraftRevision $draft, string $name, VariableType $type): Variable
    {
        $name = trim($name);
        if ($name === '') {
            throw ChangeRefused::because('no-name', 'A variable needs a name.', 'a name', 'Type one.');
        }
        $keys = [];
        $position = -1;
        foreach ($draft->variables() as $other) {
            if ($other->deleted_revision === null && $other->name === $name) {
                throw ChangeRefused::because('name-taken', "Another variable is called “{$name}” already.", 'a name of its own', 'Choose another name.');
            }
            $keys[] = $other->key;
            $position = max($position, $other->position);
        }
        $variable = Variable::query()->create([
            'dataset_id' => $draft->dataset->id,
            'position' => $position + 1,
            'key' => VariableKeys::beside($keys, $name),
            'name' => $name,
            'type' => $type,
            'decimals' => $type === VariableType::Number ? 0 : null,
            'dictionary' => [],
        ])->refresh();
        $draft->add($variable);

        return $variable;
    }
}
