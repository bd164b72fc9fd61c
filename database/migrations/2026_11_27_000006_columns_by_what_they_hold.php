<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A column for each thing, named by what it holds; what is derived fills itself again. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('variables', static function (Blueprint $table): void {
            // Of numbers, empty while they wait to be put in order.
            $table->json('micro_histogram')->default('[]');
            // Of a category, one for each entry of the dictionary.
            $table->json('label_counts')->default('[]');
            $table->renameColumn('deleted_at', 'deleted_revision');
        });
        DB::statement("UPDATE variables SET micro_histogram = IF(type = 'number', sketch, '[]'), label_counts = IF(type = 'number', '[]', sketch)");
        Schema::table('variables', static fn(Blueprint $table) => $table->dropColumn('sketch'));
        Schema::table('deleted_rows', static fn(Blueprint $table) => $table->renameColumn('restored_at', 'restored_revision'));
        $this->restate(static function (array $state): array {
            $sketch = $state['sketch'] ?? '[]';
            $isNumber = ($state['type'] ?? '') === 'number';
            $state['micro_histogram'] = $isNumber ? $sketch : '[]';
            $state['label_counts'] = $isNumber ? '[]' : $sketch;
            $state['deleted_revision'] = $state['deleted_at'] ?? null;

            return array_diff_key($state, ['sketch' => 0, 'deleted_at' => 0]);
        });
        $this->derived('grouping', 'row_groupings', true);
    }

    public function down(): void
    {
        Schema::table('variables', static function (Blueprint $table): void {
            $table->json('sketch')->default('[]');
            $table->renameColumn('deleted_revision', 'deleted_at');
        });
        DB::statement("UPDATE variables SET sketch = IF(type = 'number', micro_histogram, label_counts)");
        Schema::table('variables', static fn(Blueprint $table) => $table->dropColumn(['micro_histogram', 'label_counts']));
        Schema::table('deleted_rows', static fn(Blueprint $table) => $table->renameColumn('restored_revision', 'restored_at'));
        $this->restate(static function (array $state): array {
            $state['sketch'] = ($state['type'] ?? '') === 'number' ? ($state['micro_histogram'] ?? '[]') : ($state['label_counts'] ?? '[]');
            $state['deleted_at'] = $state['deleted_revision'] ?? null;

            return array_diff_key($state, ['micro_histogram' => 0, 'label_counts' => 0, 'deleted_revision' => 0]);
        });
        $this->derived('slice', 'slices', false);
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $change of what a variable was at a revision */
    private function restate(callable $change): void
    {
        foreach (DB::table('variable_versions')->orderBy('variable_id')->orderBy('since_revision')->cursor() as $version) {
            DB::table('variable_versions')->where(['variable_id' => $version->variable_id, 'since_revision' => $version->since_revision])
                ->update(['state' => json_encode($change(json_decode($version->state, true, flags: JSON_THROW_ON_ERROR)), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)]);
        }
    }

    private function derived(string $grouping, string $groupings, bool $hasKinds): void
    {
        foreach (['tallies', 'tally_buckets', 'slices', 'row_groupings'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::create('tallies', static function (Blueprint $table) use ($grouping, $hasKinds): void {
            $table->unsignedBigInteger('variable_id');
            if ($hasKinds) {
                $table->enum('kind', ['values', 'labels', 'rows-left-out', 'date-ends']);
            }
            // '' = all rows; else what splits them and which are in.
            $table->string($grouping, 48)->default('');
            $table->unsignedInteger('revision');
            $table->binary('payload');
            $table->primary(['variable_id', ...($hasKinds ? ['kind'] : []), $grouping, 'revision']);
            $table->foreign('variable_id')->references('id')->on('variables')->cascadeOnDelete();
        });
        // Values of tallies with very many, some thousand in order in each; the tally names those that are its own.
        Schema::create('tally_buckets', static function (Blueprint $table) use ($grouping): void {
            $table->id();
            $table->foreignId('variable_id')->constrained()->cascadeOnDelete();
            $table->string($grouping, 48);
            $table->binary('payload');
            $table->index(['variable_id', $grouping]);
        });
        // The groups of a grouping, how many rows are in, and when it was last asked for.
        Schema::create($groupings, static function (Blueprint $table) use ($grouping): void {
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->string($grouping, 48);
            $table->unsignedInteger('revision');
            $table->unsignedBigInteger('rows');
            $table->mediumText('labels');
            $table->unsignedBigInteger('used_at')->default(0);
            $table->primary(['dataset_id', $grouping, 'revision']);
        });
        foreach (['tallies', 'tally_buckets'] as $table) {
            DB::statement("ALTER TABLE {$table} MODIFY payload LONGBLOB NOT NULL");
        }
    }
};
