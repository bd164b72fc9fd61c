<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use RowTally\Core\Observations\HigherMoments;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\Packed;
use RowTally\Core\Values\ValueCounts;

/**
 * The bytes of tallies: how many there are, then for each whether its values are here or in buckets, its missing rows, decimals of
 * its counts, how many bytes follow, its shape where there is one, and its values.
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
    public static function pack(array $observations, Variable $variable, string $rowGrouping): string
    {
        $bytes = pack('q', count($observations));
        foreach ($observations as $group) {
            $values = $group->values;
            $isInBuckets = $values instanceof BucketedValues;
            // The shape needs every value, and is the same whatever the basis; after an edit of very many it waits until somebody asks.
            $shape = ($isInBuckets && $values->buckets instanceof StoredBuckets) || $group->allEqual() ? null : $group->shape();
            $packed = pack('qee', $shape === null ? 0 : 1, $shape->skewness ?? 0.0, $shape->kurtosis ?? 0.0);
            if ($isInBuckets) {
                [$buckets, $roundCounts] = $values->buckets instanceof StoredBuckets ? [$values->buckets, $values->roundCounts] : StoredBuckets::keep($values, $variable, $rowGrouping);
                $packed .= $buckets->toBytes($values->powerSums(), $roundCounts);
            } else {
                $packed .= $values->counted()->toBytes();
            }
            $bytes .= pack('qqqq', $isInBuckets ? self::IN_BUCKETS : self::HERE, $group->missing, $group->countDecimals, strlen($packed)) . $packed;
        }

        return $bytes;
    }

    /** @return list<Observations> */
    public static function unpack(string $bytes, ?int $decimals): array
    {
        $observations = [];
        $reader = new BucketReader();
        $groups = Packed::integers('q', $bytes)[1];
        $at = 8;
        for ($group = 0; $group < $groups; ++$group) {
            [1 => $place, 2 => $missing, 3 => $countDecimals, 4 => $length] = Packed::integers('q4', $bytes, $at);
            $at += 32;
            $shape = null;
            if (Packed::integers('q', $bytes, $at)[1] === 1) {
                [1 => $skewness, 2 => $kurtosis] = Packed::doubles('e2', $bytes, $at + 8);
                $shape = new HigherMoments($skewness, $kurtosis);
            }
            $packed = substr($bytes, $at + self::SHAPE_BYTES, $length - self::SHAPE_BYTES);
            $observations[] = new Observations(
                $place === self::HERE ? ValueCounts::fromBytes($packed, $decimals) : StoredBuckets::fromBytes($packed, $decimals, $reader),
                $missing,
                $countDecimals,
                $shape,
            );
            $at += $length;
        }

        return $observations;
    }
}
