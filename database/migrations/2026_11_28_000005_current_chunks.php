<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Chunks of a revision are found among those of older ones without a look at each. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('column_chunks', static function (Blueprint $table): void {
            $table->index(['variable_id', 'until_revision', 'number'], 'chunks_in_force');
        });
    }

    public function down(): void
    {
        Schema::table('column_chunks', static function (Blueprint $table): void {
            $table->dropIndex('chunks_in_force');
        });
    }
};
