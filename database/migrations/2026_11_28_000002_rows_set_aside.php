<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Rows that are left out of every figure with a reason: the reasons are a column that no list of variables shows; and how many there are. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('variables', static function (Blueprint $table): void {
            $table->string('role', 16)->nullable();
        });
        Schema::table('datasets', static function (Blueprint $table): void {
            $table->unsignedInteger('set_aside')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('datasets', static function (Blueprint $table): void {
            $table->dropColumn('set_aside');
        });
        Schema::table('variables', static function (Blueprint $table): void {
            $table->dropColumn('role');
        });
    }
};
