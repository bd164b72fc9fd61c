<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Export\DataPackageWriter;
use App\Export\ExportDataset;
use App\Export\ZipFile;
use App\Files\WholeFile;
use App\Models\Dataset;
use App\Models\Edition;
use App\Models\Report;
use App\Models\User;
use App\Report\Paper;
use App\Store\RowsQuestion;

/** All of one's own data in one zip: each dataset as a data package, its changes in words, its reports as documents and the records of their editions. */
final readonly class AccountData
{
    public function __construct(private ExportDataset $export) {}

    /** @param resource $out */
    public function write(User $user, $out): void
    {
        $texts = ['account.json' => self::json(['name' => $user->name, 'email' => $user->email, 'chosen_figures' => $user->chosen_figures])];
        $files = [];
        try {
            $datasets = $user->datasets();
            $datasets->where('revision', '>', 0)->whereNull('team_id')->orderBy('id');
            foreach ($datasets->with('variables')->get() as $dataset) {
                $folder = "{$dataset->id}-" . Paper::slugOf($dataset->title);
                if ($dataset->variables->isNotEmpty()) {
                    $files["{$folder}/rows.zip"] = $this->rows($dataset);
                }
                $texts["{$folder}/changes.json"] = self::json($dataset->revisions()->get(['number', 'kind', 'summary', 'created_at'])->sortBy('number')->values()->toArray());
                foreach ($dataset->reports()->get() as $report) {
                    $texts["{$folder}/report-{$report->id}.json"] = $report->document;
                    foreach (self::editions($report) as $edition) {
                        $texts["{$folder}/report-{$report->id}-edition-{$edition->number}.json"] = $edition->record;
                    }
                }
            }
            ZipFile::write($out, $texts, $files);
        } finally {
            array_map(static fn(string $path): bool => @unlink($path), $files);
        }
    }

    /** @return iterable<Edition> */
    private static function editions(Report $report): iterable
    {
        return $report->editions()->get(['id', 'number', 'record']);
    }

    private function rows(Dataset $dataset): string
    {
        $path = WholeFile::scratch();
        $file = WholeFile::create($path);
        try {
            (new DataPackageWriter())->write($this->export->table($dataset, new RowsQuestion()), $file);
        } finally {
            WholeFile::close($file);
        }

        return $path;
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE);
    }
}
