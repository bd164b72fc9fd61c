<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\StoredFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\TableLook;
use App\Models\Import;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Decisions about a file are kept for the account and serve the next file with the same columns. */
final class RememberDecisions
{
    /**
     * @return array{Decisions, string|null} and how its text is encoded, where that was recognised
     *
     * @throws NotATable
     */
    public function for(User $user, string $path, string $name): array
    {
        $look = TableLook::at($path, $name, new Decisions());
        $kept = DB::table('remembered_decisions')
            ->where(['user_id' => $user->id, 'fingerprint' => $look->fingerprint()])
            ->value('decisions');
        /** @var mixed $words */
        $words = is_string($kept) ? json_decode($kept, true) : null;

        return [Decisions::fromArray(is_array($words) ? $words : []), $look->table->encoding];
    }

    public function keep(Import $import): void
    {
        $file = StoredFile::of($import->path);
        $plain = TableLook::at($file->path, $import->file_name, new Decisions(), $import->encoding);
        $key = ['user_id' => $import->user_id, 'fingerprint' => $plain->fingerprint()];
        if (($import->decisions ?? []) === []) {
            DB::table('remembered_decisions')->where($key)->delete();

            return;
        }
        DB::table('remembered_decisions')->upsert([[...$key, 'decisions' => json_encode($import->decisions, JSON_THROW_ON_ERROR), 'used_at' => now()]], ['user_id', 'fingerprint'], ['decisions', 'used_at']);
    }
}
