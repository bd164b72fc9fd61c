<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Dataset;
use App\Models\Share;
use App\Models\Team;
use App\Models\User;
use App\Store\Changes\ChangeRefused;
use Illuminate\Support\Facades\DB;

/** Teams, which own datasets. There is always somebody who keeps one: the last keeper goes only when somebody else has become one. */
final class Teams
{
    private const MOST = 20;

    /** @return list<Team> that the account is in, with who else is */
    public static function of(User $user): array
    {
        $query = Team::query()->with('shares.user');
        $query->whereIn('id', Share::query()->select('team_id')->where('user_id', $user->id)->whereNotNull('team_id'));

        $query->orderBy('name')->orderBy('id');

        return array_values($query->get()->all());
    }

    public static function make(User $user, string $name): Team
    {
        if (count(self::of($user)) >= self::MOST) {
            throw ChangeRefused::because('teams-full', 'You are in ' . self::MOST . ' teams.', 'at most ' . self::MOST, 'Leave one first.');
        }

        $team = new Team(['name' => $name, 'made_at' => now()]);
        DB::transaction(static function () use ($user, $team): void {
            $team->save();
            Share::query()->create(['team_id' => $team->id, 'email' => $user->email, 'user_id' => $user->id, 'role' => Share::KEEPER, 'invited_by' => $user->id, 'invited_at' => now(), 'expires_at' => now()]);
        });

        return $team;
    }

    public static function delete(Team $team): void
    {
        if (Dataset::query()->where('team_id', $team->id)->exists()) {
            throw ChangeRefused::because('team-owns', 'The team still has datasets.', 'a team without any', 'Take them back or delete them first: under Share, in each.');
        }
        $team->delete();
    }

    /** A dataset becomes a team's, or, taken back, that of whoever takes it. */
    public static function give(Dataset $dataset, User $by, ?Team $team): void
    {
        if ($team !== null && !in_array($team->role($by), [Share::KEEPER, Share::EDITOR], true)) {
            throw ChangeRefused::because('not-of-the-team', 'You may not give anything to that team.', 'a team in which you may change', 'Choose one of yours.');
        }
        Dataset::query()->whereKey($dataset->id)->update($team === null ? ['team_id' => null, 'user_id' => $by->id] : ['team_id' => $team->id]);
        $dataset->refresh();
    }

    /** @throws ChangeRefused where a part in a team is its last keeper's and is to become another or to end */
    public static function keepOne(Share $share): void
    {
        if ($share->role === Share::KEEPER && self::otherKeepers($share) === 0 && $share->user_id !== null) {
            throw ChangeRefused::because('last-keeper', 'Nobody else keeps this team.', 'another keeper', 'Let somebody else keep it first, or delete the team.');
        }
    }

    /**
     * Before an account goes: teams that are its alone go with it, and what the others have of its stays theirs.
     *
     * @return list<int> teams whose datasets go too
     *
     * @throws ChangeRefused where others would be left without a keeper
     */
    public static function parted(User $user): array
    {
        $alone = [];
        foreach (self::of($user) as $team) {
            $own = $team->shares->firstWhere('user_id', $user->id);
            $others = $team->shares->whereNotNull('user_id')->where('user_id', '!=', $user->id);
            if ($others->isEmpty()) {
                $alone[] = $team->id;
            } elseif ($own !== null) {
                self::keepOne($own);
                $heir = $others->firstWhere('role', Share::KEEPER);
                Dataset::query()->where('team_id', $team->id)->where('user_id', $user->id)->update(['user_id' => $heir?->user_id]);
            }
        }
        // What was given to a team that they have left since.
        foreach (Dataset::query()->where('user_id', $user->id)->whereNotNull('team_id')->whereNotIn('team_id', $alone)->get() as $dataset) {
            $heir = Share::query()->where('team_id', $dataset->team_id)->where('role', Share::KEEPER)->whereNotNull('user_id')->value('user_id');
            Dataset::query()->whereKey($dataset->id)->update(['user_id' => $heir]);
        }

        return $alone;
    }

    private static function otherKeepers(Share $share): int
    {
        return Share::query()->where('team_id', $share->team_id)->where('role', Share::KEEPER)->whereNotNull('user_id')->where('id', '!=', $share->id)->count();
    }
}
