<?php

declare(strict_types=1);

namespace App\Report\Editions;

use App\Export\CsvWriter;
use App\Export\ExportDataset;
use App\Files\NoRoom;
use App\Files\StoredFile;
use App\Imports\SumSource;
use App\Models\Dataset;
use App\Models\Edition;
use App\Models\Report;
use App\Report\Document\ReportDocument;
use App\Report\MakePaper;
use App\Report\Record\BuildRecord;
use App\Store\Changes\ChangeRefused;
use App\Store\RowsQuestion;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use RowTally\Core\Marks\NumberMarks;
use Throwable;

/** Makes an edition of a report: everything that it says now, held for good, with its record. */
final readonly class MakeEdition
{
    public const LONGEST_NOTE = 2000;
    private const MOST_EDITIONS = 200;

    public function __construct(private MakePaper $makePaper, private BuildRecord $buildRecord, private ExportDataset $export) {}

    /**
     * The last one again where it says the same and has the same note.
     *
     * @throws ChangeRefused|NoRoom
     */
    public function of(Report $report, Dataset $dataset, string $note, bool $withRows): Edition
    {
        // What the report says of its file is known before it is written.
        SumSource::of($dataset);
        $document = ReportDocument::ofJson($report->document);
        $paper = $this->makePaper->of($dataset, $document);
        $said = json_encode($paper->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
        $content = hash('sha256', $said . ($withRows ? '|rows' : ''));
        $last = $report->editions()->first();
        if ($last !== null && $last->content === $content && ($note === '' || $note === $last->note)) {
            return $last;
        }
        $rows = $withRows ? $this->rows($dataset) : null;
        try {
            $edition = new Edition();
            DB::transaction(function () use ($edition, $report, $dataset, $document, $paper, $note, $rows, $content): void {
                Report::query()->whereKey($report->id)->lockForUpdate()->value('id');
                $made = Edition::query()->where('report_id', $report->id)->max('number');
                $number = 1 + (is_numeric($made) ? (int) $made : 0);
                if ($number > self::MOST_EDITIONS) {
                    throw ChangeRefused::because('editions-full', 'This report has ' . self::MOST_EDITIONS . ' editions.', 'at most ' . self::MOST_EDITIONS, 'Begin another report.');
                }
                $at = now();
                $named = $paper->under("{$paper->subtitle} · Edition {$number}, {$at->format('j F Y')}" . ($note === '' ? '' : " · {$note}"));

                $edition->fill([
                    'report_id' => $report->id,
                    'number' => $number,
                    'title' => $document->title,
                    'note' => $note,
                    'revision' => $dataset->revision,
                    'paper' => json_encode($named->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION),
                    'record' => json_encode($this->buildRecord->of($dataset, $document, $paper, $number, $note, $at->toIso8601ZuluString(), $rows === null ? null : hash('sha256', (string) Storage::get($rows))), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION),
                    'content' => $content,
                    'rows_path' => $rows,
                    'made_at' => $at,
                ])->save();
            });

            return $edition->refresh();
        } catch (Throwable $thrown) {
            if ($rows !== null) {
                Storage::delete($rows);
            }
            throw $thrown;
        }
    }

    /** @return string where they are kept */
    private function rows(Dataset $dataset): string
    {
        $path = 'editions/' . Str::random(40) . '.csv';
        $table = $this->export->table($dataset, new RowsQuestion());
        StoredFile::write($path, static fn($out) => (new CsvWriter())->write($table->by(self::within(config()->integer('app.row_bytes_of_a_report'), $table->blocks, $out)), $out));

        return $path;
    }

    /**
     * Blocks as long as what was written of them is not too much.
     *
     * @template T
     *
     * @param iterable<T> $blocks
     * @param resource    $out
     *
     * @return iterable<T>
     *
     * @throws ChangeRefused
     */
    private static function within(int $bytes, iterable $blocks, $out): iterable
    {
        foreach ($blocks as $block) {
            yield $block;
            if (ftell($out) > $bytes) {
                $most = NumberMarks::count($bytes / (1 << 20));
                throw ChangeRefused::because('rows-too-many', "The rows are more than {$most} MB.", "at most {$most} MB that go along with a report", 'Hand it over without the rows, and give them apart.');
            }
        }
    }
}
