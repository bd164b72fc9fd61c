<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A part may also be one in a report alone. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('shares', static function (Blueprint $table): void {
            $table->foreignId('report_id')->nullable()->after('team_id')->constrained()->cascadeOnDelete();
            $table->unique(['report_id', 'email']);
            $table->index(['user_id', 'report_id']);
        });
    }

    public function down(): void
    {
        DB::table('shares')->whereNotNull('report_id')->delete();
        Schema::table('shares', static function (Blueprint $table): void {
            $table->dropForeign(['report_id']);
            $table->dropUnique(['report_id', 'email']);
            $table->dropIndex(['user_id', 'report_id']);
            $table->dropColumn('report_id');
        });
    }
};
