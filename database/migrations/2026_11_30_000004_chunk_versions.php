<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which version of a chunk held at a revision is told by an index alone: the bytes of the others are not read. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('column_chunks', static function (Blueprint $table): void {
            $table->index(['variable_id', 'number', 'since_revision', 'until_revision'], 'chunk_versions');
        });
    }

    public function down(): void
    {
        Schema::table('column_chunks', static function (Blueprint $table): void {
            $table->dropIndex('chunk_versions');
        });
    }
};
