<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Dataset;
use App\Models\Report;
use App\Models\Share;
use App\Models\Team;
use App\Models\User;
use App\Store\Changes\ChangeRefused;
use Illuminate\Support\Facades\DB;

/** Who has a part in a dataset, a report of it or a team: offered to an address, taken by its account, changed and ended; a dataset is handed over to somebody who has one. */
final class ShareDatasets
{
    private const MOST = 100;
    private const OFFERED_DAYS = 14;

    /** Once more to the same address is another letter, and the role that was said last. */
    public static function offer(Dataset|Report|Team $of, User $by, string $email, string $role): Share
    {
        $email = User::address($email);
        if ($email === $by->email) {
            throw ChangeRefused::because('own-address', 'That is your own address.', 'the address of somebody else', 'Type theirs.');
        }
        [$column, $what] = match (true) {
            $of instanceof Team => ['team_id', "a part in the team \"{$of->name}\""],
            $of instanceof Report => ['report_id', "the report \"{$of->title}\""],
            default => ['dataset_id', "the dataset \"{$of->title}\""],
        };
        $in = [$column => $of->id];
        $share = Share::query()->where($in)->where('email', $email)->first();
        if ($share === null && Share::query()->where($in)->count() >= self::MOST) {
            throw ChangeRefused::because('shares-full', 'It is shared with ' . self::MOST . ' others.', 'at most ' . self::MOST, 'End one first.');
        }
        if ($share !== null && $share->role !== $role) {
            Teams::keepOne($share);
        }
        $share ??= new Share([...$in, 'email' => $email]);
        $share->fill(['role' => $role, 'invited_by' => $by->id, 'invited_at' => now(), 'expires_at' => now()->addDays(self::OFFERED_DAYS)])->save();
        if ($share->user_id === null) {
            Letters::offered($share, $by, $what);
        }

        return $share->refresh();
    }

    /** @return list<Share> that are offered to an account and not taken yet */
    public static function offeredTo(User $user): array
    {
        $query = Share::query()->with('dataset', 'report', 'team');
        $query->where('email', $user->email)->whereNull('user_id')->where('expires_at', '>', now())->orderBy('id');

        return array_values($query->get()->all());
    }

    /** @return bool whether it was there to be taken by this account */
    public static function take(Share $share, User $user): bool
    {
        return $share->email === $user->email && $share->isOffered() && Share::query()->whereKey($share->id)->whereNull('user_id')->update(['user_id' => $user->id]) === 1;
    }

    public static function change(Share $share, string $role): void
    {
        if ($share->role !== $role) {
            Teams::keepOne($share);
            $share->update(['role' => $role]);
        }
    }

    public static function end(Share $share): void
    {
        Teams::keepOne($share);
        DB::table('presences')->where('dataset_id', $share->dataset_id ?? $share->report?->dataset_id)->where('user_id', $share->user_id)->delete();
        $share->delete();
    }

    /** The dataset becomes that of somebody who has a part in it; who had it stays an editor. */
    public static function handOver(Dataset $dataset, User $owner, Share $share): void
    {
        $to = $share->user_id;
        if ($to === null || $share->dataset_id !== $dataset->id) {
            throw ChangeRefused::because('nobody-there', 'Nobody has taken this part yet.', 'somebody who has a part in the dataset', 'Wait until they have.');
        }
        DB::transaction(static function () use ($dataset, $owner, $share, $to): void {
            $share->delete();
            Dataset::query()->whereKey($dataset->id)->update(['user_id' => $to, 'team_id' => null]);
            Share::query()->where('dataset_id', $dataset->id)->where('user_id', $owner->id)->delete();
            Share::query()->create(['dataset_id' => $dataset->id, 'email' => $owner->email, 'user_id' => $owner->id, 'role' => Share::EDITOR, 'invited_by' => $to, 'invited_at' => now(), 'expires_at' => now()]);
        });
        $dataset->refresh();
    }
}
