<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('imports', static function (Blueprint $table): void {
            // Whose turn it is to write: whoever has taken the import under another name has none.
            $table->char('run', 26)->nullable();
            // When it was last known to be worked at or waiting, in seconds: one that has gone silent is taken up again.
            $table->unsignedInteger('beat_at')->default(0);
            $table->unsignedTinyInteger('attempts')->default(0);
            $table->index(['status', 'beat_at']);
        });
    }

    public function down(): void
    {
        Schema::table('imports', static function (Blueprint $table): void {
            $table->dropIndex(['status', 'beat_at']);
            $table->dropColumn(['run', 'beat_at', 'attempts']);
        });
    }
};
