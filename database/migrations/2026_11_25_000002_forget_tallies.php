<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

// Tallies keep the shape of their values now; they are derived and fill themselves again.
return new class extends Migration {
    public function up(): void
    {
        DB::table('tally_buckets')->delete();
        DB::table('tallies')->delete();
    }
};
