<?php

declare(strict_types=1);

namespace App\Report\Forms;

use App\Files\StoredFile;
use App\Models\Report;
use App\Report\Document\ReportDocument;
use App\Report\MakePaper;
use App\Store\Stopped;
use App\Store\Underway;
use Illuminate\Support\Facades\Storage;

/** A report as its pages will be on paper, before it is handed over: set once for each state of it, and looked at page by page. */
final readonly class PagesOfReport
{
    private const FOLDER = 'pages';
    /** So long what was set is kept. */
    private const KEPT_SECONDS = 3600;

    public function __construct(private MakePaper $makePaper, private HandOver $handOver) {}

    /**
     * @param 'a4'|'letter' $size
     *
     * @return array{pages: int, key: string}
     *
     * @throws CannotHandOver
     * @throws Stopped
     */
    public function of(Report $report, string $size): array
    {
        $paper = $this->makePaper->of($report->dataset->load('variables'), ReportDocument::ofJson($report->document));
        $key = hash('sha256', json_encode([$report->id, $size, $paper->toArray()], JSON_THROW_ON_ERROR));
        $pdf = $this->pdf($report, $key);
        if ($pdf === null) {
            $pdf = $this->handOver->as(Form::Pdf, $paper, $size, isWanted: static function (string $reported): bool {
                Underway::part('Laying out the pages', HandOver::stepsDone($reported), HandOver::STEPS);

                return true;
            });
            StoredFile::put(self::path($report, $key), $pdf);
            self::sweep();
        }

        return ['pages' => HandOver::pages($pdf), 'key' => $key];
    }

    public function pdf(Report $report, string $key): ?string
    {
        return preg_match('/^[0-9a-f]{64}$/D', $key) === 1 && Storage::exists(self::path($report, $key)) ? Storage::get(self::path($report, $key)) : null;
    }

    public static function sweep(): void
    {
        /** @var list<string> $files */
        $files = Storage::files(self::FOLDER);
        foreach ($files as $path) {
            if (Storage::exists($path) && Storage::lastModified($path) < time() - self::KEPT_SECONDS) {
                Storage::delete($path);
            }
        }
    }

    private static function path(Report $report, string $key): string
    {
        return self::FOLDER . "/{$report->id}-{$key}.pdf";
    }
}
