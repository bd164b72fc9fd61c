<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Store\StoredColumns;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Parsing\VariableType;

/** The labels of a category in a new order, renamed, or several of them made one. */
final readonly class ArrangeLabels implements Change
{
    /**
     * @param list<string>          $order  the labels that there are afterwards, in their order
     * @param array<string, string> $merged a label that goes => the one it becomes
     */
    public function __construct(
        private string $key,
        private array $order,
        private array $merged = [],
    ) {}

    public function kind(): string
    {
        return 'arrange-labels';
    }

    public function apply(DraftRevision $draft): string
    {
        $variable = $draft->variable($this->key);
        if ($variable->type !== VariableType::Category) {
            throw ChangeRefused::because('no-category', "“{$variable->name}” is no category.", 'a category', 'Make it a category first.');
        }
        $labels = $variable->dictionary;
        $codes = array_flip($this->order);
        $map = "\0";
        foreach ($labels as $label) {
            $to = $codes[$this->merged[$label] ?? $label] ?? throw ChangeRefused::because('label-lost', "“{$label}” would be lost.", 'every label in the new order, or made one with another', 'Add it.');
            $map .= chr($to + 1);
        }
        if (count($codes) !== count($this->order) || count($this->order) > 255) {
            throw ChangeRefused::because('label-twice', 'A label stands twice in the new order.', 'each label once', 'Take one out.');
        }
        $from = implode('', array_map(chr(...), range(0, count($labels))));
        $counts = array_fill(0, count($this->order), 0);
        foreach ($labels as $i => $label) {
            $counts[ord($map[$i + 1]) - 1] += $variable->label_counts[$i] ?? 0;
        }
        foreach (StoredColumns::encoded($variable, $draft->number) as $number => $encoded) {
            $chunk = $encoded->chunk;
            if ($chunk->encoding === ChunkEncoding::Codes) {
                $draft->replace($variable, $number, new EncodedCells(new Chunk($chunk->encoding, $chunk->rows, $chunk->missing, strtr($chunk->payload, $from, $map)), $encoded->unread), $encoded);
            }
        }
        $variable->dictionary = $this->order;
        $variable->label_counts = array_values($counts);
        $draft->describe($variable);
        if ($this->merged === []) {
            return "Order of the labels of {$variable->name}: " . mb_strimwidth(implode(', ', $this->order), 0, 120, '…');
        }

        return "In {$variable->name}, " . implode(', ', array_map(static fn(string $from, string $to): string => "“{$from}” became “{$to}”", array_map(strval(...), array_keys($this->merged)), $this->merged));
    }
}
