<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What stands before decimals in labels that are classes, where their file or somebody said so; and how the text of an upload is encoded, found out once. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('variables', static function (Blueprint $table): void {
            $table->char('label_mark', 1)->nullable();
        });
        Schema::table('imports', static function (Blueprint $table): void {
            $table->string('encoding', 20)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('variables', static function (Blueprint $table): void {
            $table->dropColumn('label_mark');
        });
        Schema::table('imports', static function (Blueprint $table): void {
            $table->dropColumn('encoding');
        });
    }
};
