<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Pictures and tables that are held for a report, as they were when they were kept. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('kept_items', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->string('kind', 16);
            $table->string('title', 200);
            $table->text('note');
            // A picture as SVG, a table as JSON of its cells.
            $table->mediumText('content');
            $table->text('basis');
            // Where it can be seen alive: the words of the address.
            $table->text('address');
            $table->unsignedInteger('revision');
            $table->timestamps();
        });
    }
};
