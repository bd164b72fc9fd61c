<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Whether all chunks but the last are full, as an import leaves them: where a row lies then needs no looking up. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('datasets', static function (Blueprint $table): void {
            // Once rows were added or deleted it is not known any more, and never becomes so again.
            $table->boolean('is_even')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('datasets', static function (Blueprint $table): void {
            $table->dropColumn('is_even');
        });
    }
};
