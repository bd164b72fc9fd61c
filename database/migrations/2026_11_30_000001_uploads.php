<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Files that arrive in parts. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('uploads', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('file_name');
            $table->string('path', 100);
            $table->unsignedBigInteger('bytes_total');
            $table->unsignedBigInteger('bytes_here')->default(0);
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::drop('uploads');
    }
};
