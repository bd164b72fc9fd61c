<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What was kept of very many values together is kept apart from now on; it is worked out again when somebody asks. */
return new class extends Migration {
    private const KINDS = ['values', 'labels', 'rows-left-out', 'date-ends', 'facts'];

    public function up(): void
    {
        DB::table('tallies')->where('kind', 'facts')->delete();
        Schema::table('tallies', static function (Blueprint $table): void {
            $table->enum('kind', [...self::KINDS, 'shapes', 'normality'])->change();
        });
    }

    public function down(): void
    {
        DB::table('tallies')->whereIn('kind', ['facts', 'shapes', 'normality'])->delete();
        Schema::table('tallies', static function (Blueprint $table): void {
            $table->enum('kind', self::KINDS)->change();
        });
    }
};
