<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What needs every one of very many values is kept beside their tally. */
return new class extends Migration {
    private const KINDS = ['values', 'labels', 'rows-left-out', 'date-ends'];

    public function up(): void
    {
        Schema::table('tallies', static function (Blueprint $table): void {
            $table->enum('kind', [...self::KINDS, 'facts'])->change();
        });
    }

    public function down(): void
    {
        DB::table('tallies')->whereNotIn('kind', self::KINDS)->delete();
        Schema::table('tallies', static function (Blueprint $table): void {
            $table->enum('kind', self::KINDS)->change();
        });
    }
};
