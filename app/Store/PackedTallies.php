<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\Observations;
use RowTally\Core\Values\Packed;
use RowTally\Core\Values\Shape;
use RowTally\Core\Values\ValueCounts;

/**
 * The bytes of tallies: how many there are, then for each whether its values are here or in buckets, its missing rows, decimals of
 * its counts, length of its values' bytes, and those.
 */
final class PackedTallies
{
    private const HERE = 0;
    private const IN_BUCKETS = 1;
    private const SHAPE_BYTES = 24;

    /**
     * Values in buckets are kept in the database on the way.
     *
     * @param list<Observations> $observations
     */
    public static function pack(array $observations, Variable $variable, string $slice): string
    {
        $bytes = pack('q', count($observations));
        foreach ($observations as $group) {
            $values = $group->values;
            if ($values instanceof BucketedValues) {
                $buckets = $values->buckets instanceof StoredBuckets ? $values->buckets : StoredBuckets::keep($values, $variable, $slice);
                // The shape needs every value, and is the same whatever the basis; after an edit it waits until somebody asks.
                $shape = $values->buckets instanceof StoredBuckets || $group->allEqual() ? null : $group->shape();
                $packed = pack('qee', $shape === null ? 0 : 1, $shape->skewness ?? 0.0, $shape->kurtosis ?? 0.0) . $buckets->toBytes($values->powerSums());
            } else {
                $packed = $values->counted()->toBytes();
            }
            $bytes .= pack('qqqq', $values instanceof BucketedValues ? self::IN_BUCKETS : self::HERE, $group->missing, $group->countDecimals, strlen($packed)) . $packed;
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
            [1 => $place, 2 => $missing, 3 => $countDecimals, 4 => $length] = Packed::integers('q4', $bytes, $at);
            $at += 32;
            $packed = substr($bytes, $at, $length);
            $isHere = $place === self::HERE;
            $shape = null;
            if (!$isHere && Packed::integers('q', $packed)[1] === 1) {
                [1 => $skewness, 2 => $kurtosis] = Packed::doubles('e2', $packed, 8);
                $shape = new Shape($skewness, $kurtosis);
            }
            $observations[] = new Observations(
                $isHere ? ValueCounts::fromBytes($packed, $decimals) : StoredBuckets::fromBytes(substr($packed, self::SHAPE_BYTES), $decimals),
                $missing,
                $countDecimals,
                $shape,
            );
            $at += $length;
        }

        return $observations;
    }
}
