<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Values\Observations;
use RowTally\Core\Values\Packed;
use RowTally\Core\Values\ValueCounts;

/** The bytes of tallies: how many there are, then for each its missing rows, decimals of its counts, length of its values' bytes, and those. */
final class PackedTallies
{
    /** @param list<Observations> $observations */
    public static function pack(array $observations): string
    {
        $bytes = pack('q', count($observations));
        foreach ($observations as $group) {
            $packed = $group->values->toBytes();
            $bytes .= pack('qqq', $group->missing, $group->countDecimals, strlen($packed)) . $packed;
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
            [1 => $missing, 2 => $countDecimals, 3 => $length] = Packed::integers('q3', $bytes, $at);
            $at += 24;
            $observations[] = new Observations(ValueCounts::fromBytes(substr($bytes, $at, $length), $decimals), $missing, $countDecimals);
            $at += $length;
        }

        return $observations;
    }
}
