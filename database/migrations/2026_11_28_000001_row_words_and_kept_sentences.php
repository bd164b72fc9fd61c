<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a row of a dataset is, in one word; and at which place of a dataset a kept item can be seen alive. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('datasets', static function (Blueprint $table): void {
            $table->string('row_one', 40)->nullable();
            $table->string('row_many', 40)->nullable();
        });
        Schema::table('kept_items', static function (Blueprint $table): void {
            $table->string('place', 16)->default('profile');
        });
    }

    public function down(): void
    {
        Schema::table('kept_items', static function (Blueprint $table): void {
            $table->dropColumn('place');
        });
        Schema::table('datasets', static function (Blueprint $table): void {
            $table->dropColumn(['row_one', 'row_many']);
        });
    }
};
