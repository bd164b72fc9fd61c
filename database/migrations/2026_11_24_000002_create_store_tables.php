<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The column store; what each table is for stands in ARCHITECTURE.md. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('datasets', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('title');
            $table->text('source')->nullable();
            $table->text('description')->nullable();
            $table->unsignedBigInteger('rows')->default(0);
            // 0 = not published: an import is still writing it, and nobody sees it.
            $table->unsignedInteger('revision')->default(0);
            $table->json('notes')->nullable();
            $table->timestamps();
            $table->index(['user_id', 'updated_at']);
        });
        Schema::create('revisions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 32);
            $table->text('summary');
            // Where this change takes another one back, or does it again: that one's number.
            $table->unsignedInteger('target')->nullable();
            $table->unsignedBigInteger('rows');
            $table->timestamp('created_at')->useCurrent();
            $table->unique(['dataset_id', 'number']);
        });
        Schema::create('variables', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->string('key', 80);
            $table->text('name');
            $table->string('type', 16);
            $table->string('unit', 32)->nullable();
            // What plots and tables call it, where the name is too short for that; and what it means.
            $table->string('label', 200)->nullable();
            $table->text('description')->nullable();
            // Texts that stand for no value.
            $table->json('missing_marks')->default('[]');
            // null = doubles, or no numbers at all.
            $table->unsignedTinyInteger('decimals')->nullable();
            $table->unsignedBigInteger('missing')->default(0);
            $table->unsignedBigInteger('unread')->default(0);
            // What byte codes 1, 2, … stand for: decimal texts or labels.
            $table->json('dictionary');
            // Labels: how often each occurs. Numbers: the counts of the micro-plot.
            $table->json('sketch');
            $table->unique(['dataset_id', 'key']);
            // Texts, units and values as they were at which revision: see variable_versions. Values last changed at this one.
            $table->unsignedInteger('data_revision')->default(1);
            // How it was made from others, and whether it still follows them; null = it came in.
            $table->json('made')->nullable();
            // Shown decimals that somebody chose; null = those of the data.
            $table->unsignedTinyInteger('shown_decimals')->nullable();
            // The revision that deleted it; it can be brought back.
            $table->unsignedInteger('deleted_at')->nullable();
            $table->index(['dataset_id', 'position']);
        });
        // What a variable was from one revision on, but for its chunks.
        Schema::create('variable_versions', static function (Blueprint $table): void {
            $table->unsignedBigInteger('variable_id');
            $table->unsignedInteger('since_revision');
            $table->json('state');
            $table->primary(['variable_id', 'since_revision']);
            $table->foreign('variable_id')->references('id')->on('variables')->cascadeOnDelete();
        });
        Schema::create('column_chunks', static function (Blueprint $table): void {
            $table->unsignedBigInteger('variable_id');
            $table->unsignedInteger('number');
            $table->unsignedInteger('since_revision');
            // A chunk is the current one while this is null; older ones make undo.
            $table->unsignedInteger('until_revision')->nullable();
            $table->string('encoding', 8);
            $table->unsignedSmallInteger('rows');
            $table->unsignedSmallInteger('missing');
            $table->unsignedTinyInteger('decimals')->nullable();
            $table->string('lowest', 32)->nullable();
            $table->string('highest', 32)->nullable();
            $table->text('sum')->nullable();
            $table->text('squares')->nullable();
            // Cells that could not be read, as they stand: {offset in the chunk: text}.
            $table->json('unread')->nullable();
            $table->binary('payload');
            $table->primary(['variable_id', 'number', 'since_revision']);
            $table->foreign('variable_id')->references('id')->on('variables')->cascadeOnDelete();
        });
        // Rows that were deleted one by one, so that any of them can be brought back.
        Schema::create('deleted_rows', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('revision');
            $table->unsignedBigInteger('position');
            // {variable: cell}
            $table->json('cells');
            $table->unsignedInteger('restored_at')->nullable();
            $table->index(['dataset_id', 'revision']);
        });
        // Which rows a filter and a sort leave, in which order. Derived: may be emptied at any time.
        Schema::create('row_views', static function (Blueprint $table): void {
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->char('question', 64);
            $table->unsignedInteger('revision');
            $table->unsignedBigInteger('rows');
            $table->binary('payload');
            $table->primary(['dataset_id', 'question']);
        });
        // What of the entry check somebody has looked at.
        Schema::create('looked_at', static function (Blueprint $table): void {
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->string('line', 120);
            $table->unsignedInteger('revision');
            $table->primary(['dataset_id', 'line']);
        });
        // Distinct values with counts, whole or by group. Derived: may be emptied at any time.
        Schema::create('tallies', static function (Blueprint $table): void {
            $table->unsignedBigInteger('variable_id');
            // 0 = not split.
            $table->unsignedBigInteger('by_variable_id')->default(0);
            $table->unsignedInteger('revision');
            $table->binary('payload');
            $table->primary(['variable_id', 'by_variable_id', 'revision']);
            $table->foreign('variable_id')->references('id')->on('variables')->cascadeOnDelete();
        });
        // Laravel's binary column is a BLOB of 64 KB; these hold more.
        DB::statement('ALTER TABLE column_chunks MODIFY payload LONGBLOB NOT NULL');
        DB::statement('ALTER TABLE tallies MODIFY payload LONGBLOB NOT NULL');
        DB::statement('ALTER TABLE row_views MODIFY payload LONGBLOB NOT NULL');
        Schema::create('imports', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('dataset_id')->nullable()->constrained()->nullOnDelete();
            $table->string('title');
            $table->text('file_name');
            $table->string('path');
            $table->string('status', 16);
            // What was decided about how the file is read.
            $table->json('decisions')->nullable();
            $table->unsignedBigInteger('bytes_total');
            $table->unsignedBigInteger('bytes_read')->default(0);
            $table->unsignedBigInteger('rows_read')->default(0);
            $table->text('error')->nullable();
            // What the reading took, for whoever runs the server: {seconds, peak_bytes above what the worker held before}.
            $table->json('measured')->nullable();
            $table->timestamps();
            $table->index(['user_id', 'status']);
        });
        // Decisions about files with the same columns, for the next one.
        Schema::create('remembered_decisions', static function (Blueprint $table): void {
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->char('fingerprint', 64);
            $table->json('decisions');
            $table->timestamp('used_at')->useCurrent();
            $table->primary(['user_id', 'fingerprint']);
        });
    }

    public function down(): void
    {
        foreach (['remembered_decisions', 'imports', 'looked_at', 'row_views', 'deleted_rows', 'tallies', 'column_chunks', 'variable_versions', 'variables', 'revisions', 'datasets'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
