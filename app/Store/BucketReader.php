<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Support\Facades\DB;
use RowTally\Core\Values\ValueCounts;

/** Reads buckets of one or several groups when one of them is needed, and with it all that were said to be wanted: one query for all groups. */
final class BucketReader
{
    /** @var array<int, ValueCounts> by id */
    private array $read = [];
    /** @var array<int, int> ids */
    private array $wanted = [];

    /** @param list<int> $ids */
    public function want(array $ids): void
    {
        foreach ($ids as $id) {
            $this->wanted[$id] = $id;
        }
    }

    public function bucket(int $id, ?int $decimals): ValueCounts
    {
        if (!isset($this->read[$id])) {
            $this->wanted[$id] = $id;
            $rows = DB::table('tally_buckets')->whereIn('id', array_diff_key($this->wanted, $this->read))->pluck('payload', 'id');
            $this->wanted = [];
            foreach ($rows as $own => $payload) {
                $this->read[(int) $own] = ValueCounts::fromSlimBytes(is_string($payload) ? $payload : '', $decimals);
            }
        }

        return $this->read[$id];
    }
}
