<?php

declare(strict_types=1);

namespace Tests\App\Report;

use App\Models\Dataset;
use Symfony\Component\Process\Process;
use ZipArchive;

/** A dataset with a report that has a block of every kind. */
trait Reported
{
    private const HIVES = "Tag,Apiary,\"Yield <b>\"\"best\"\"</b> (kg)\",Before (kg),Age\nA1,North,20,18.5,0-4\nA2,North,22,21,5-9\nA3,South,30,25,5-9\nA4,South,34,30.5,10-14\nA5,South,90,31,10-14\nA6,North,21,20,0-4\n";

    private function hives(): Dataset
    {
        $dataset = $this->dataset(self::HIVES, 'hives.csv');
        $dataset->update(['title' => 'Hives of 2026']);
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'set-aside', 'rows' => [5], 'reason' => 'the scale was broken'])->assertCreated();

        return $dataset->refresh();
    }

    /** @return int of the report */
    private function reported(Dataset $dataset): int
    {
        $y = $dataset->variables[2]->key;
        $field = ['type' => 'figureField', 'attrs' => ['address' => "of={$y}&by=apiary", 'figure' => 'mean', 'group' => '["South"]']];
        $words = ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'South gave '], $field, ['type' => 'text', 'text' => ' kg <script>.']]]]];
        $blocks = [
            ['kind' => 'heading', 'title' => 'What there is', 'level' => 1],
            ['kind' => 'text', 'words' => $words],
            ['kind' => 'overview', 'title' => 'All & sundry', 'address' => ''],
            ['kind' => 'picture', 'picture' => 'stack', 'title' => 'Yield', 'address' => "of={$y}&by=apiary"],
            ['kind' => 'figures', 'title' => 'Figures of the yield', 'address' => "of={$y}&by=apiary&figures=n,mean,sd,median"],
            ['kind' => 'frequencies', 'title' => 'Apiaries', 'address' => 'of=apiary'],
            ['kind' => 'classes', 'title' => 'Ages', 'address' => 'of=age'],
            ['kind' => 'comparison', 'title' => 'North and South', 'place' => 'compare', 'address' => "what=groups&of={$y}&by=apiary"],
            ['kind' => 'comparison', 'title' => 'Earlier and later', 'place' => 'compare', 'address' => "what=pairs&of=before,{$y}"],
            ['kind' => 'readings', 'address' => "of={$y}"],
            ['kind' => 'rows', 'title' => 'Set aside', 'address' => http_build_query(['of' => "tag,{$y}", 'where' => 'not missing("Set aside")'])],
        ];
        $report = null;
        foreach ($blocks as $block) {
            $report = $this->postJson("/api/datasets/{$dataset->id}/kept", $block)->assertCreated()->json('report');
        }

        return (int) $report;
    }

    /** @return array{int, array<string, mixed>} id and edition */
    private function edition(int $report, bool $rows = false): array
    {
        $edition = $this->postJson("/api/reports/{$report}/editions", ['note' => '', 'rows' => $rows])->assertCreated()->json();

        return [(int) $edition['id'], $edition];
    }

    private function file(int $edition, string $form, string $size = 'a4'): string
    {
        $this->postJson("/api/editions/{$edition}/files", ['form' => $form, 'size' => $size])->assertStatus(202)->assertJsonPath('error', null)->assertJsonPath('status', 'ready');

        return $this->get("/api/editions/{$edition}/files/{$form}?size={$size}")->assertOk()->streamedContent();
    }

    /** @return array<string, string> */
    private static function unpacked(string $bytes): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $bytes);
        $zip = new ZipArchive();
        self::assertTrue($zip->open($path));
        $files = [];
        for ($i = 0; $i < $zip->numFiles; ++$i) {
            $files[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        $zip->close();
        unlink($path);

        return $files;
    }

    /** @param list<string> $command */
    private static function through(array $command, string $input): string
    {
        return (new Process($command, null, null, $input))->mustRun()->getOutput();
    }
}
