<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;

/** Deletes a variable; it keeps its values and can be brought back. */
final readonly class DeleteVariable implements Change
{
    public function __construct(private string $key) {}

    public function kind(): string
    {
        return 'delete-variable';
    }

    public function apply(DraftRevision $draft): string
    {
        $variable = $draft->variable($this->key);
        if (count(array_filter($draft->variables(), static fn(Variable $other): bool => $other->deleted_revision === null && $other->role === null)) === 1) {
            throw ChangeRefused::because('last-variable', "“{$variable->name}” is the only variable.", 'at least one variable in a dataset', 'Delete the whole dataset instead.');
        }
        $variable->deleted_revision = $draft->number;
        $draft->describe($variable);

        return "Variable {$variable->name} deleted";
    }
}
