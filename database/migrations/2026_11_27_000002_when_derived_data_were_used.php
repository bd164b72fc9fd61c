<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** When derived data were last asked for, in seconds: what was not asked for longest is forgotten first. */
return new class extends Migration {
    public function up(): void
    {
        foreach (['slices', 'row_views'] as $name) {
            Schema::table($name, static function (Blueprint $table): void {
                $table->unsignedBigInteger('used_at')->default(0);
            });
        }
    }

    public function down(): void
    {
        foreach (['slices', 'row_views'] as $name) {
            Schema::table($name, static function (Blueprint $table): void {
                $table->dropColumn('used_at');
            });
        }
    }
};
