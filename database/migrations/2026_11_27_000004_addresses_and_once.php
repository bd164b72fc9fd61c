<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Where two accounts differ only by case, the older one keeps the address.
        foreach (DB::table('users')->orderBy('id')->pluck('email', 'id')->all() as $id => $email) {
            $address = mb_strtolower(trim((string) $email));
            if ($address !== $email && !DB::table('users')->where('email', $address)->exists()) {
                DB::table('users')->where('id', $id)->update(['email' => $address]);
            }
        }
        // What was answered to a request that named itself: said again when the same comes again.
        Schema::create('done_once', static function (Blueprint $table): void {
            $table->char('request', 64)->primary();
            $table->unsignedInteger('at')->index();
            // Null while it is being done.
            $table->unsignedSmallInteger('status')->nullable();
            $table->mediumText('answer')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('done_once');
    }
};
