<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Database\Query\Builder;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/** What was answered to requests that named themselves, for a day. */
final class DoneOnce
{
    private const KEPT_SECONDS = 86400;
    /** One that has not been answered for so long never will be: its process is gone. */
    private const GIVEN_UP_AFTER_SECONDS = 150;
    private const MOST_BYTES = 1 << 20;

    /** Whether it is this one that is to do it; false where it is being done or was done. */
    public function begin(string $request): bool
    {
        $old = DB::table('done_once')->where('at', '<', time() - self::KEPT_SECONDS);
        $old->orWhere(static fn(Builder $query): Builder => $query->where('status', '=', null)->where('at', '<', time() - self::GIVEN_UP_AFTER_SECONDS))->delete();
        try {
            return DB::table('done_once')->insert(['request' => $request, 'at' => time()]);
        } catch (UniqueConstraintViolationException) {
            return false;
        }
    }

    /** Whether the answer is kept for the next one. */
    public function finish(string $request, int $status, string $answer): bool
    {
        return strlen($answer) <= self::MOST_BYTES && DB::table('done_once')->where('request', $request)->update(['status' => $status, 'answer' => $answer]) === 1;
    }

    public function forget(string $request): void
    {
        DB::table('done_once')->where('request', $request)->delete();
    }

    /** @return array{status: int, answer: string}|null|false null while it is being done; false when it is not being done either */
    public function answer(string $request): array|false|null
    {
        $first = DB::table('done_once')->where('request', $request)->first();
        if ($first === null) {
            return false;
        }

        return is_numeric($first->status) && is_string($first->answer) ? ['status' => (int) $first->status, 'answer' => $first->answer] : null;
    }
}
