<?php

declare(strict_types=1);

namespace App\Framework;

use Closure;
use Illuminate\Validation\Rules\Enum;

/** For a request most of whose words may be left out: one that is left out needs no looking at. */
trait SaidWords
{
    /** @return array<string, list<string|Closure|Enum>> */
    protected function validationRules(): array
    {
        return array_filter($this->rules(), fn(array $rules, string $word): bool => $rules[0] !== 'nullable' || $this->has($word), ARRAY_FILTER_USE_BOTH);
    }
}
