<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Teams, which own datasets: a part is one in a dataset or in a team. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('teams', static function (Blueprint $table): void {
            $table->id();
            $table->string('name', 100);
            $table->dateTime('made_at');
        });
        Schema::table('shares', static function (Blueprint $table): void {
            $table->unsignedBigInteger('dataset_id')->nullable()->change();
            $table->foreignId('team_id')->nullable()->after('dataset_id')->constrained()->cascadeOnDelete();
            $table->unique(['team_id', 'email']);
            $table->index(['user_id', 'team_id']);
        });
        Schema::table('datasets', static fn(Blueprint $table) => $table->foreignId('team_id')->nullable()->after('user_id')->constrained());
    }

    public function down(): void
    {
        Schema::table('datasets', static function (Blueprint $table): void {
            $table->dropForeign(['team_id']);
            $table->dropColumn('team_id');
        });
        DB::table('shares')->whereNull('dataset_id')->delete();
        Schema::table('shares', static function (Blueprint $table): void {
            $table->dropForeign(['team_id']);
            $table->dropUnique(['team_id', 'email']);
            $table->dropIndex(['user_id', 'team_id']);
            $table->dropColumn('team_id');
            $table->unsignedBigInteger('dataset_id')->nullable(false)->change();
        });
        Schema::dropIfExists('teams');
    }
};
