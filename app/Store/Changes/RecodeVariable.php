<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Store\StoredColumns;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Parsing\VariableType;

/** A new category with the labels of another one put together into fewer. It is a copy: it does not follow. */
final readonly class RecodeVariable implements Change
{
    /** @param array<string, string> $labels of the category => of the new one; the empty text makes missing */
    public function __construct(
        private string $key,
        private string $name,
        private array $labels,
    ) {}

    public function kind(): string
    {
        return 'recode-variable';
    }

    public function apply(DraftRevision $draft): string
    {
        $from = $draft->variable($this->key);
        if ($from->type !== VariableType::Category) {
            throw ChangeRefused::because('no-category', "“{$from->name}” is no category.", 'a category', 'Sort numbers into classes with classes(…), or make it a category first.');
        }
        $to = [];
        $map = "\0";
        foreach ($from->dictionary as $label) {
            $new = $this->labels[$label] ?? $label;
            if ($new !== '' && !in_array($new, $to, true)) {
                $to[] = $new;
            }
            $map .= chr($new === '' ? 0 : (int) array_search($new, $to, true) + 1);
        }
        $codes = implode('', array_map(chr(...), range(0, count($from->dictionary))));
        $variable = MakeVariable::added($draft, $this->name, VariableType::Category);
        $variable->dictionary = $to;
        $variable->description = "Labels of {$from->name} put together";
        foreach (StoredColumns::encoded($from, $draft->number) as $number => $encoded) {
            $payload = $encoded->chunk->encoding === ChunkEncoding::Codes ? strtr($encoded->chunk->payload, $codes, $map) : str_repeat("\0", $encoded->chunk->rows);
            $draft->replace($variable, $number, new EncodedCells(new Chunk(ChunkEncoding::Codes, $encoded->chunk->rows, count_chars($payload, 1)[0] ?? 0, $payload)), null);
        }
        $draft->describe($variable);

        return "{$variable->name} made from the labels of {$from->name}: " . mb_strimwidth(implode(', ', $to), 0, 120, '…');
    }
}
