<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Which variable counts, as it was answered on the way in; and tallies keep the shape of their values: what was there fills itself again. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('datasets', static function (Blueprint $table): void {
            $table->string('counts', 80)->nullable();
            $table->string('counted', 80)->nullable();
        });
        DB::table('tally_buckets')->delete();
        DB::table('tallies')->delete();
    }
};
