<?php

declare(strict_types=1);

namespace App\Report;

use App\Models\Edition;
use App\Models\EditionFile;
use App\Models\ReportCheck;
use App\Report\Checks\ScratchDataset;
use App\Report\Forms\PagesOfReport;
use Illuminate\Support\Facades\Storage;

/** What a process that died, or a dataset that was deleted, has left behind of reports. */
final class SweepReports
{
    private const FORGOTTEN_AFTER_SECONDS = 7200;
    private const RESULTS_KEPT_SECONDS = 86400;

    public static function all(): void
    {
        ScratchDataset::sweep();
        PagesOfReport::sweep();
        ReportCheck::query()->where('asked_at', '<', time() - self::RESULTS_KEPT_SECONDS)->delete();
        foreach (['editions', 'checks'] as $folder) {
            /** @var list<string> $files */
            $files = Storage::files($folder);
            foreach ($files as $path) {
                if (Storage::lastModified($path) < time() - self::FORGOTTEN_AFTER_SECONDS && !self::isNeeded($path)) {
                    Storage::delete($path);
                }
            }
        }
    }

    private static function isNeeded(string $path): bool
    {
        return Edition::query()->where('rows_path', $path)->exists()
            || EditionFile::query()->where('path', $path)->exists()
            || ReportCheck::query()->where('path', $path)->exists()
            || ReportCheck::query()->where('rows_path', $path)->exists();
    }
}
