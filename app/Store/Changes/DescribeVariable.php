<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use RowTally\Core\Formula\Formula;

/** Name, unit, label, description, shown decimals and missing marks of a variable. */
final readonly class DescribeVariable implements Change
{
    /** @param array{name?: string, unit?: string|null, label?: string|null, description?: string|null, shown_decimals?: int|null, missing_marks?: list<string>} $fields */
    public function __construct(
        private string $key,
        private array $fields,
    ) {}

    public function kind(): string
    {
        return 'describe-variable';
    }

    public function apply(DraftRevision $draft): string
    {
        $variable = $draft->variable($this->key);
        $said = [];
        $before = $variable->name;
        if (isset($this->fields['name']) && trim($this->fields['name']) !== $before) {
            $this->rename($draft, $variable, trim($this->fields['name']));
            $said[] = "{$before} is now called {$variable->name}";
        }
        $words = ['unit' => 'unit', 'label' => 'label', 'description' => 'description', 'shown_decimals' => 'decimals shown'];
        foreach ($words as $field => $word) {
            if (array_key_exists($field, $this->fields)) {
                $value = $this->fields[$field] === '' ? null : $this->fields[$field];
                if ($variable->getAttribute($field) !== $value) {
                    $variable->setAttribute($field, $value);
                    $said[] = "{$word} of {$variable->name}: " . ($value === null ? 'none' : mb_strimwidth((string) $value, 0, 60, '…'));
                }
            }
        }
        if (isset($this->fields['missing_marks'])) {
            $marks = array_values(array_unique(array_filter(array_map(trim(...), $this->fields['missing_marks']), static fn(string $mark): bool => $mark !== '')));
            $turned = $this->markMissing($draft, $variable, $marks);
            if ($marks !== $variable->missing_marks || $turned > 0) {
                $variable->missing_marks = $marks;
                $said[] = "missing marks of {$variable->name}: " . ($marks === [] ? 'none' : implode(' ', $marks)) . ($turned > 0 ? " ({$turned} cells became missing)" : '');
            }
        }
        if ($said === []) {
            throw ChangeRefused::because('no-change', 'Nothing would be different.', 'something new', 'Change a field first.');
        }
        $draft->describe($variable);

        return ucfirst(implode('; ', $said));
    }

    private function rename(DraftRevision $draft, Variable $variable, string $name): void
    {
        if ($name === '') {
            throw ChangeRefused::because('no-name', 'A variable needs a name.', 'a name', 'Type one.');
        }
        foreach ($draft->variables() as $other) {
            if ($other->id !== $variable->id && $other->deleted_revision === null && $other->name === $name) {
                throw ChangeRefused::because('name-taken', "Another variable is called “{$name}” already.", 'a name of its own', 'Choose another name.');
            }
        }
        // Formulas speak of variables by name.
        foreach ($draft->variables() as $other) {
            if ($other->made !== null && in_array($variable->id, $other->made['inputs'], true)) {
                $other->made = [...$other->made, 'formula' => Formula::renamed($other->made['formula'], $variable->name, $name)];
                $draft->describe($other);
            }
        }
        $variable->name = $name;
    }

    /**
     * @param list<string> $marks
     *
     * @return int how many cells became missing
     */
    private function markMissing(DraftRevision $draft, Variable $variable, array $marks): int
    {
        $turned = 0;
        foreach (array_keys($draft->layout()) as $chunk) {
            $cells = $draft->cells($variable, $chunk);
            $found = array_filter($cells, static fn(string $cell): bool => $cell !== '' && in_array(trim($cell), $marks, true));
            if ($found !== []) {
                $turned += count($found);
                $draft->put($variable, $chunk, array_values(array_replace($cells, array_fill_keys(array_keys($found), ''))));
            }
        }

        return $turned;
    }
}
