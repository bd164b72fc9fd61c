<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Values\Observations;
use RowTally\Core\Values\Packed;
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
        $groups = Packed::integers('q', $bytes)[1];
        $at = 8;
        for ($group = 0; $group < $groups; ++$group) {
            [1 => $missing, 2 => $length] = Packed::integers('q2', $bytes, $at);
            $at += 16;
            $observations[] = new Observations(
                ValueCounts::fromBytes(substr($bytes, $at, $length), $decimals),
                $missing,
            );
            $at += $length;
        }

        return $observations;
    }
}
