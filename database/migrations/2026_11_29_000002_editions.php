<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Reports that were handed over, their files and links, and checks of reports. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('editions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('report_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->string('title', 200);
            $table->text('note');
            $table->unsignedInteger('revision');
            $table->longText('paper');
            $table->longText('record');
            $table->char('content', 64);
            $table->string('rows_path')->nullable();
            $table->dateTime('made_at');
            $table->unique(['report_id', 'number']);
        });
        Schema::create('edition_files', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('edition_id')->constrained()->cascadeOnDelete();
            $table->string('form', 16);
            $table->string('size', 8);
            $table->string('status', 16);
            $table->text('error')->nullable();
            $table->unsignedInteger('asked_at');
            $table->unsignedInteger('began_at')->nullable();
            $table->string('path')->nullable();
            $table->unsignedBigInteger('bytes')->default(0);
            $table->char('sha256', 64)->nullable();
            $table->unique(['edition_id', 'form', 'size']);
        });
        Schema::create('report_links', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('edition_id')->constrained()->cascadeOnDelete();
            $table->char('token_hash', 64)->unique();
            $table->text('token');
            $table->string('passphrase')->nullable();
            $table->boolean('has_rows');
            $table->dateTime('expires_at')->nullable();
            $table->dateTime('revoked_at')->nullable();
            $table->unsignedInteger('opened')->default(0);
            $table->dateTime('made_at');
        });
        Schema::create('report_checks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('status', 16);
            $table->string('name');
            $table->string('path');
            $table->string('rows_path')->nullable();
            $table->string('rows_name')->nullable();
            $table->text('error')->nullable();
            $table->mediumText('result')->nullable();
            $table->unsignedInteger('asked_at');
            $table->unsignedInteger('began_at')->nullable();
        });
    }
};
