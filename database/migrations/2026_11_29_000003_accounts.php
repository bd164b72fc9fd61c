<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Addresses that were confirmed, second factors, and passwords that are set anew by mail. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('users', static function (Blueprint $table): void {
            // Since when its address waits to be confirmed; null = it does not.
            $table->dateTime('waits_since')->nullable();
            // Encrypted; in force once a code of it was given.
            $table->text('factor_secret')->nullable();
            $table->dateTime('factor_at')->nullable();
            // The step of the last code that was taken: none is taken twice.
            $table->unsignedBigInteger('factor_step')->default(0);
            // Hashes of those that are left.
            $table->json('recovery_codes')->nullable();
        });
        Schema::create('password_reset_tokens', static function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('password_reset_tokens');
        Schema::table('users', static function (Blueprint $table): void {
            $table->dropColumn(['waits_since', 'factor_secret', 'factor_at', 'factor_step', 'recovery_codes']);
        });
    }
};
