<?php

declare(strict_types=1);

use App\Report\Blocks\RowsBlock;
use App\Report\Document\Block;
use App\Report\Document\ReportDocument;
use App\Report\Words\OwnWords;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Reports as documents of blocks that follow the data; what was kept until now becomes blocks of one report for each dataset. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('datasets', static function (Blueprint $table): void {
            // Of the file that the rows come from.
            $table->unsignedBigInteger('source_bytes')->nullable();
            $table->char('source_sha256', 64)->nullable();
        });
        Schema::create('reports', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->string('title', 200);
            // Which of its versions is in force, and the last that can be done again.
            $table->unsignedInteger('version');
            $table->unsignedInteger('last_version');
            $table->mediumText('document');
            // Behind which block what is kept is put; null = at the end.
            $table->string('place', 20)->nullable();
            // The figures that were there when somebody last looked, and at which revision of the data.
            $table->mediumText('seen')->nullable();
            $table->unsignedInteger('seen_revision')->nullable();
            $table->timestamps();
        });
        Schema::create('report_versions', static function (Blueprint $table): void {
            $table->foreignId('report_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->mediumText('document');
            $table->primary(['report_id', 'number']);
        });
        Schema::create('held_contents', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 16);
            // A picture as SVG, a table as JSON of its cells, a sentence as JSON.
            $table->mediumText('content');
            $table->text('basis');
            $table->unsignedInteger('revision');
        });
        $this->moveKept();
        Schema::dropIfExists('kept_items');
    }

    /** What was kept: pictures and tables of figures follow the data from now on, the others are held as they are. */
    public function moveKept(): void
    {
        $datasets = DB::table('kept_items')->distinct()->pluck('dataset_id');
        foreach ($datasets as $dataset) {
            $title = DB::table('datasets')->where('id', $dataset)->value('title');
            $blocks = [];
            foreach (DB::table('kept_items')->where('dataset_id', $dataset)->orderBy('position')->orderBy('id')->lazy(20) as $item) {
                $block = Block::ofArray($this->block((array) $item));
                // More than a report can have were possible before.
                if ($block instanceof Block && count($blocks) < ReportDocument::MOST_BLOCKS) {
                    $blocks[] = $block;
                }
            }
            // Rows set aside stood in every report.
            $aside = (int) DB::table('datasets')->where('id', $dataset)->value('set_aside') === 0 ? null : Block::ofArray(['kind' => 'rows', 'title' => 'Rows set aside', 'address' => http_build_query(['where' => RowsBlock::asideCondition()])]);
            if ($aside instanceof Block && count($blocks) < ReportDocument::MOST_BLOCKS) {
                $blocks[] = $aside;
            }
            $document = ReportDocument::titled(is_string($title) ? $title : '', $blocks);
            $id = DB::table('reports')->insertGetId(['dataset_id' => $dataset, 'title' => $document->title, 'version' => 1, 'last_version' => 1, 'document' => $document->toJson(), 'created_at' => now(), 'updated_at' => now()]);
            DB::table('report_versions')->insert(['report_id' => $id, 'number' => 1, 'document' => $document->toJson()]);
        }
    }

    /**
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed>
     */
    private function block(array $item): array
    {
        $asked = is_string($item['asked'] ?? null) ? json_decode($item['asked'], true) : null;
        $said = is_array($asked) && is_array($asked['words'] ?? null) ? array_filter($asked['words'], is_scalar(...)) : [];
        $note = is_string($item['note'] ?? null) ? $item['note'] : '';
        $own = OwnWords::ofDocument(json_decode($note, true)) ?? OwnWords::ofText($note);
        $block = ['title' => $item['title'] ?? '', 'words' => $own->toDocument(), 'place' => $item['place'] ?? 'profile'];
        if (($item['kind'] ?? '') === 'text') {
            return [...$block, 'kind' => 'text'];
        }
        if (is_array($asked) && is_string($asked['picture'] ?? null)) {
            $address = http_build_query(array_diff_key($said, ['look' => true, 'width' => true, 'column' => true, 'palette' => true, 'format' => true, 'heading' => true]));

            return [...$block, 'kind' => 'picture', 'picture' => $asked['picture'], 'look' => (string) ($said['look'] ?? ''), 'column' => (int) ($said['column'] ?? 0), 'address' => $address];
        }
        if (is_array($asked) && isset($asked['figures'])) {
            return [...$block, 'kind' => 'figures', 'address' => http_build_query($said)];
        }
        $held = DB::table('held_contents')->insertGetId(['dataset_id' => $item['dataset_id'], 'kind' => $item['kind'], 'content' => $item['content'], 'basis' => $item['basis'], 'revision' => $item['revision']]);

        return [...$block, 'kind' => 'held', 'picture' => $item['kind'], 'address' => $item['address'] ?? '', 'held' => $held];
    }
};
