<?php

declare(strict_types=1);

namespace App\Store\Changes;

use RowTally\Core\Parsing\VariableType;

/** A new variable without any entry, to be typed into. */
final readonly class AddVariable implements Change
{
    public function __construct(
        private string $name,
        private VariableType $type,
        private ?string $unit,
    ) {}

    public function kind(): string
    {
        return 'add-variable';
    }

    public function apply(DraftRevision $draft): string
    {
        $layout = $draft->layout();
        $variable = MakeVariable::added($draft, $this->name, $this->type);
        $variable->unit = $this->unit;
        foreach ($layout as $chunk => $rows) {
            $draft->put($variable, $chunk, array_fill(0, $rows, ''));
        }

        return "Variable {$variable->name} added";
    }
}
