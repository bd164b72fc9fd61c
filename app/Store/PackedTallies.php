<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Values\Observations;
use RowTally\Core\Values\ValueCounts;

/** The bytes of tallies: the number of groups, then for each its missing rows, the length of its values' bytes, and those. */
final class PackedTallies
{
    /**
     * @param list<ValueCounts> $values
     * @param list<int>         $missing
     */
    public static function pack(array $values, array $missing): string
    {
        $bytes = pack('q', count($values));
        foreach ($values as $i => $group) {
            $packed = $group->toBytes();
            $bytes .= pack('qq', $missing[$i], strlen($packed)) . $packed;
        }

        return $bytes;
    }

    /** @return list<Observations> */
    public static function unpack(string $bytes, ?int $decimals): array
    {
        $observations = [];
        /** @var array{1: int} $groups */
        $groups = unpack('q', $bytes);
        $at = 8;
        for ($group = 0; $group < $groups[1]; ++$group) {
            /** @var array{missing: int, length: int} $head */
            $head = unpack('qmissing/qlength', $bytes, $at);
            $at += 16;
            $observations[] = new Observations(
                ValueCounts::fromBytes(substr($bytes, $at, $head['length']), $decimals),
                $head['missing'],
            );
            $at += $head['length'];
        }

        return $observations;
    }
}
