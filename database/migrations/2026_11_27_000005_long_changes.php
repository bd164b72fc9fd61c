<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Changes that take longer than somebody waits for an answer: made by a worker, watched by whoever asked.
        Schema::create('long_changes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('revision');
            $table->char('fingerprint', 64);
            $table->json('words');
            $table->string('status', 12);
            // Of how many pieces so many are done.
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('pieces')->default(0);
            $table->unsignedInteger('beat_at');
            // The revision it came to, or why it did not.
            $table->unsignedInteger('made')->nullable();
            $table->text('message')->nullable();
            $table->timestamps();
            // No index of the dataset with what changes while it is made: that would be held to the dataset, which is locked then.
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('long_changes');
    }
};
