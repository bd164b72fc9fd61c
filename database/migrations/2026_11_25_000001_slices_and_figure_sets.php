<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Tallies by any slice of the rows, and what an account likes to see. Tallies are derived: what was there fills itself again. */
return new class extends Migration {
    public function up(): void
    {
        Schema::drop('tallies');
        Schema::create('tallies', static function (Blueprint $table): void {
            $table->unsignedBigInteger('variable_id');
            // '' = all rows; else what splits them and which are in, see StoredGrouping.
            $table->string('slice', 48)->default('');
            $table->unsignedInteger('revision');
            $table->binary('payload');
            $table->primary(['variable_id', 'slice', 'revision']);
            $table->foreign('variable_id')->references('id')->on('variables')->cascadeOnDelete();
        });
        DB::statement('ALTER TABLE tallies MODIFY payload LONGBLOB NOT NULL');
        // Values of tallies with very many, some thousand in order in each; the tally names those that are its own.
        Schema::create('tally_buckets', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('variable_id')->constrained()->cascadeOnDelete();
            $table->string('slice', 48);
            $table->binary('payload');
            $table->index(['variable_id', 'slice']);
        });
        DB::statement('ALTER TABLE tally_buckets MODIFY payload LONGBLOB NOT NULL');
        // The groups of a slice and how many rows are in. Derived too.
        Schema::create('slices', static function (Blueprint $table): void {
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->string('slice', 48);
            $table->unsignedInteger('revision');
            $table->unsignedBigInteger('rows');
            $table->mediumText('labels');
            $table->primary(['dataset_id', 'slice', 'revision']);
        });
        Schema::create('figure_sets', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->json('figures');
            $table->unique(['user_id', 'name']);
        });
        Schema::table('users', static function (Blueprint $table): void {
            // The figures that were chosen last; null = the essentials.
            $table->json('chosen_figures')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('users', static fn(Blueprint $table) => $table->dropColumn('chosen_figures'));
        Schema::dropIfExists('figure_sets');
        Schema::dropIfExists('slices');
        Schema::dropIfExists('tally_buckets');
        Schema::dropIfExists('tallies');
    }
};
