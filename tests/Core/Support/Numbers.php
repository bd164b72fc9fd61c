<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use RowTally\Core\Columns\NumberColumnBuilder;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Values\ValueCounts;

/** Makes values for a test from the texts a person would type, by the same way that a file goes. */
final class Numbers
{
    /** @param list<string> $texts */
    public static function ofTexts(array $texts): ValueCounts
    {
        $builder = new NumberColumnBuilder();
        $chunks = [];
        foreach (array_chunk($texts, 8192) as $cells) {
            $chunks[] = $builder->add($cells)->chunk;
        }

        $values = TallyColumn::whole($builder->column($chunks))->values;
        assert($values instanceof ValueCounts);

        return $values;
    }

    public static function of(string ...$texts): ValueCounts
    {
        return self::ofTexts(array_values($texts));
    }
}
