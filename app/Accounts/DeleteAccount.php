<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Framework\KeptSessions;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\Report;
use App\Models\Team;
use App\Models\Upload;
use App\Models\User;
use App\Report\Editions\EditionFiles;
use App\Store\DeleteDataset;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Deletes an account with everything that is its alone: datasets, uploads, reports, links, sessions, tokens, and teams that nobody else is in. */
final readonly class DeleteAccount
{
    public function __construct(private DeleteDataset $deleteDataset) {}

    public function delete(User $user): void
    {
        $teams = Teams::parted($user);
        $gone = Dataset::query();
        $gone->where(static function (Builder $own) use ($user): void {
            $own->where('user_id', $user->id)->whereNull('team_id');
        })->orWhereIn('team_id', $teams);
        foreach ($gone->get() as $dataset) {
            EditionFiles::deleteOf(...array_map(static fn(Report $report): int => $report->id, array_values($dataset->reports()->get(['id'])->all())));
            $this->deleteDataset->delete($dataset);
        }
        $imports = Import::query()->where('user_id', $user->id)->get();
        $uploads = Upload::query()->where('user_id', $user->id)->get();
        DB::transaction(static function () use ($user, $teams): void {
            app(KeptSessions::class)->endAll($user->id);
            DB::table('password_reset_tokens')->where('email', $user->email)->delete();
            Tokens::revokeAll($user);
            Team::query()->whereIn('id', $teams)->delete();
            $user->delete();
        });
        Storage::delete([...$imports->map(static fn(Import $import): string => $import->path)->all(), ...$uploads->map(static fn(Upload $upload): string => $upload->path)->all()]);
    }
}
