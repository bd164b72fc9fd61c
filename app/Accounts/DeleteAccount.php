<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Dataset;
use App\Models\Import;
use App\Models\Report;
use App\Models\User;
use App\Report\Editions\EditionFiles;
use App\Store\DeleteDataset;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Deletes an account with everything that is its: datasets, uploads, reports, links, sessions. */
final readonly class DeleteAccount
{
    public function __construct(private DeleteDataset $deleteDataset) {}

    public function delete(User $user): void
    {
        foreach (Dataset::query()->where('user_id', $user->id)->get() as $dataset) {
            EditionFiles::deleteOf(...array_map(static fn(Report $report): int => $report->id, array_values($dataset->reports()->get(['id'])->all())));
            $this->deleteDataset->delete($dataset);
        }
        $imports = Import::query()->where('user_id', $user->id)->get();
        DB::transaction(static function () use ($user): void {
            DB::table('sessions')->where('user_id', $user->id)->delete();
            DB::table('password_reset_tokens')->where('email', $user->email)->delete();
            Tokens::revokeAll($user);
            $user->delete();
        });
        Storage::delete(array_values($imports->map(static fn(Import $import): string => $import->path)->all()));
    }
}
