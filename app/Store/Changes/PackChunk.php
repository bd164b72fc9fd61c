<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\Variable;
use App\Store\StoredColumns;
use RowTally\Core\Columns\CategoryColumnBuilder;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\DateColumnBuilder;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TextColumnBuilder;
use RowTally\Core\Parsing\DateText;
use RowTally\Core\Parsing\VariableType;

/** Cells of one chunk, packed after the type of their variable, whose decimals and labels follow what is in them. */
final class PackChunk
{
    /**
     * @param list<string>      $cells    numbers with a decimal point; the empty text is missing
     * @param EncodedCells|null $before   what the chunk held; null = it is new
     * @param int               $rows     of the dataset
     * @param int               $revision at which the other chunks are looked at
     */
    public static function of(array $cells, Variable $variable, ?EncodedCells $before, int $rows, int $revision): EncodedCells
    {
        switch ($variable->type) {
            case VariableType::Number:
                $asCodes = $before === null ? $variable->dictionary !== [] || $variable->missing === $rows : $before->chunk->encoding === ChunkEncoding::Codes;
                $builder = NumberColumnBuilder::continuing($variable->dictionary, $variable->decimals, self::largest($variable, $revision), $asCodes);
                $encoded = $builder->add($cells);
                $variable->decimals = $builder->decimals();
                // Chunks packed earlier still need the dictionary when the column becomes doubles.
                $variable->dictionary = $builder->dictionary() === [] ? $variable->dictionary : $builder->dictionary();

                return $encoded;
            case VariableType::Category:
                $builder = new CategoryColumnBuilder($variable->dictionary);
                $encoded = $builder->add($cells);
                if ($builder->becameText()) {
                    throw self::tooManyLabels($variable);
                }
                $variable->dictionary = $builder->labels();

                return $encoded;
            case VariableType::Date:
                return (new DateColumnBuilder(DateText::ofStored($cells)))->add($cells);
            case VariableType::Id:
            case VariableType::Text:
                return (new TextColumnBuilder())->add($cells);
        }
    }

    public static function tooManyLabels(Variable $variable): ChangeRefused
    {
        return ChangeRefused::because('too-many-labels', "“{$variable->name}” would have more than " . CategoryColumnBuilder::MAX_LABELS . ' labels.', 'a label that is there already', 'Make the variable a text first.');
    }

    /** The largest absolute value of a number variable, over its decimals. */
    private static function largest(Variable $variable, int $revision): int
    {
        $largest = 0;
        foreach (StoredColumns::rows($variable->id, $revision, ['lowest', 'highest', 'decimals']) as $chunk) {
            if ($chunk->decimals !== null) {
                $factor = 10 ** max(0, ($variable->decimals ?? 0) - $chunk->decimals);
                $largest = max($largest, abs((int) $chunk->lowest) * $factor, abs((int) $chunk->highest) * $factor);
            }
        }

        return $largest;
    }
}
