<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/** What a variable is, which decides what can be asked of it. */
enum VariableType: string
{
    case Number = 'number';
    case Category = 'category';
    /** Names one row each; left out of figures. */
    case Id = 'id';
    case Text = 'text';
    /** Calendar days, with or without a time, held as ISO 8601 texts. */
    case Date = 'date';
}
