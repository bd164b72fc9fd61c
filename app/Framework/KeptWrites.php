<?php

declare(strict_types=1);

namespace App\Framework;

use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\Events\TransactionCommitted;

/** How much of a request the database has kept already: what is worked out from data, and who was here when, does not count. */
final class KeptWrites
{
    private const OF_NO_ACCOUNT = '/^\s*(?:select|show|set|(?:insert(?: ignore)? into|update|delete from|replace into) `(?:sessions|cache|cache_locks|tallies|tally_buckets|row_groupings|row_views|presences|looked_at|done_once)`)/i';

    private int $count = 0;

    public function __construct(Dispatcher $events)
    {
        $events->listen(TransactionCommitted::class, function (TransactionCommitted $committed): void {
            $this->count += $committed->connection->transactionLevel() === 0 ? 1 : 0;
        });
        $events->listen(QueryExecuted::class, function (QueryExecuted $query): void {
            $this->count += $query->connection->transactionLevel() === 0 && preg_match(self::OF_NO_ACCOUNT, $query->sql) !== 1 ? 1 : 0;
        });
    }

    public function forget(): void
    {
        $this->count = 0;
    }

    public function count(): int
    {
        return $this->count;
    }
}
