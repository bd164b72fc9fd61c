<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Long files are read by several workers, each some of the columns. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('import_shares', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('import_id')->constrained()->cascadeOnDelete();
            // Whose turn at the import it belongs to.
            $table->char('run', 26);
            $table->json('columns');
            // What the columns were recognised as: a worker that sees something else leaves them to others.
            $table->char('recognised', 64);
            // Who reads them, and when that was last known; nobody yet while it is null.
            $table->char('taken', 26)->nullable();
            $table->unsignedInteger('beat_at');
            $table->unsignedTinyInteger('attempts')->default(0);
            $table->unsignedBigInteger('bytes_read')->default(0);
            $table->unsignedBigInteger('rows_read')->default(0);
            // What is known once they are read.
            $table->json('done')->nullable();
            $table->index(['import_id', 'run']);
        });
    }

    public function down(): void
    {
        Schema::drop('import_shares');
    }
};
