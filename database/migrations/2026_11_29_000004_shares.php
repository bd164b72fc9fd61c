<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Datasets that several accounts have a part in, and who is there just now. */
return new class extends Migration {
    public function up(): void
    {
        // A change stays where others have the dataset and whoever made it is gone.
        Schema::table('revisions', static fn(Blueprint $table) => $table->dropForeign(['user_id']));
        Schema::table('revisions', static function (Blueprint $table): void {
            $table->unsignedBigInteger('user_id')->nullable()->change();
            $table->foreign('user_id')->references('id')->on('users')->nullOnDelete();
        });
        Schema::create('shares', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            // To whom it was offered; whose it is once it was taken.
            $table->string('email');
            $table->foreignId('user_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('role', 8);
            $table->foreignId('invited_by')->nullable()->constrained('users')->nullOnDelete();
            $table->dateTime('invited_at');
            $table->dateTime('expires_at');
            $table->unique(['dataset_id', 'email']);
            $table->index(['user_id', 'dataset_id']);
        });
        Schema::create('presences', static function (Blueprint $table): void {
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('place', 16);
            $table->unsignedInteger('seen_at');
            $table->primary(['dataset_id', 'user_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('presences');
        Schema::dropIfExists('shares');
        // Each change was somebody's: of an account that is gone, now the owner's.
        DB::statement('UPDATE revisions JOIN datasets ON datasets.id = revisions.dataset_id SET revisions.user_id = datasets.user_id WHERE revisions.user_id IS NULL');
        Schema::table('revisions', static fn(Blueprint $table) => $table->dropForeign(['user_id']));
        Schema::table('revisions', static function (Blueprint $table): void {
            $table->unsignedBigInteger('user_id')->nullable(false)->change();
            $table->foreign('user_id')->references('id')->on('users')->cascadeOnDelete();
        });
    }
};
