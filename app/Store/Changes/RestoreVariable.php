<?php

declare(strict_types=1);

namespace App\Store\Changes;

/** Brings a deleted variable back, with the values it has for the rows that are there now. */
final readonly class RestoreVariable implements Change
{
    public function __construct(private string $key) {}

    public function kind(): string
    {
        return 'restore-variable';
    }

    public function apply(DraftRevision $draft): string
    {
        foreach ($draft->variables() as $variable) {
            if ($variable->key === $this->key && $variable->deleted_revision !== null && $variable->role === null) {
                $variable->deleted_revision = null;
                $draft->describe($variable);

                return "Variable {$variable->name} brought back";
            }
        }
        throw ChangeRefused::because('not-deleted', 'This variable is there already.', 'a deleted variable', 'Look at the variables as they are now.');
    }
}
