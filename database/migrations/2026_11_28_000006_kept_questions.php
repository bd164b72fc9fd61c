<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was asked for what is kept, so that it can be asked again of other data. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('kept_items', static function (Blueprint $table): void {
            // {"picture": kind, "words": …} or {"figures": variable, "words": …}; null where it cannot be asked again.
            $table->json('asked')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('kept_items', static function (Blueprint $table): void {
            $table->dropColumn('asked');
        });
    }
};
