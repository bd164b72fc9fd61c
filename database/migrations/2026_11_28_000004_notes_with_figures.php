<?php

declare(strict_types=1);

use App\Report\OwnWords;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Notes are documents, into which figures can be set; they were plain texts. */
return new class extends Migration {
    public function up(): void
    {
        $this->rewrite(static fn(string $note): string => OwnWords::ofText($note)->toStored());
    }

    public function down(): void
    {
        $this->rewrite(static fn(string $note): string => OwnWords::ofStored($note)->toText());
        DB::table('kept_items')->where('kind', '=', 'text')->delete();
    }

    /** @param Closure(string): string $to */
    private function rewrite(Closure $to): void
    {
        foreach (DB::table('kept_items')->where('note', '<>', '')->select(['id', 'note'])->lazyById() as $item) {
            DB::table('kept_items')->where('id', '=', $item->id)->update(['note' => $to((string) $item->note)]);
        }
    }
};
