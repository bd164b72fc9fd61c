<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Dataset;
use App\Models\Share;
use App\Models\User;
use App\Store\Changes\ChangeRefused;
use Illuminate\Support\Facades\DB;

/** Who has a part in a dataset: offered to an address, taken by its account, changed and ended; handed over to somebody who has one. */
final class ShareDatasets
{
    private const MOST = 100;
    private const OFFERED_DAYS = 14;

    /** Once more to the same address is another letter, and the role that was said last. */
    public static function offer(Dataset $dataset, User $by, string $email, string $role): Share
    {
        $email = User::address($email);
        if ($email === $by->email) {
            throw ChangeRefused::because('own-address', 'That is your own address.', 'the address of somebody else', 'Type theirs.');
        }
        $share = Share::query()->where('dataset_id', $dataset->id)->where('email', $email)->first();
        if ($share === null && Share::query()->where('dataset_id', $dataset->id)->count() >= self::MOST) {
            throw ChangeRefused::because('shares-full', 'This dataset is shared with ' . self::MOST . ' others.', 'at most ' . self::MOST, 'End one first.');
        }
        $share ??= new Share(['dataset_id' => $dataset->id, 'email' => $email]);
        $share->fill(['role' => $role, 'invited_by' => $by->id, 'invited_at' => now(), 'expires_at' => now()->addDays(self::OFFERED_DAYS)])->save();
        if ($share->user_id === null) {
            Letters::offered($share, $by, $dataset->title);
        }

        return $share->refresh();
    }

    /** @return list<Share> that are offered to an account and not taken yet */
    public static function offeredTo(User $user): array
    {
        $query = Share::query()->with('dataset');
        $query->where('email', $user->email)->whereNull('user_id')->where('expires_at', '>', now())->orderBy('id');

        return array_values($query->get()->all());
    }

    /** @return bool whether it was there to be taken by this account */
    public static function take(Share $share, User $user): bool
    {
        return $share->email === $user->email && $share->isOffered() && Share::query()->whereKey($share->id)->whereNull('user_id')->update(['user_id' => $user->id]) === 1;
    }

    public static function end(Share $share): void
    {
        DB::table('presences')->where('dataset_id', $share->dataset_id)->where('user_id', $share->user_id)->delete();
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
            Dataset::query()->whereKey($dataset->id)->update(['user_id' => $to]);
            Share::query()->create(['dataset_id' => $dataset->id, 'email' => $owner->email, 'user_id' => $owner->id, 'role' => Share::EDITOR, 'invited_by' => $to, 'invited_at' => now(), 'expires_at' => now()]);
        });
        $dataset->refresh();
    }
}
