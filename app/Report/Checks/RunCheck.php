<?php

declare(strict_types=1);

namespace App\Report\Checks;

use App\Files\StoredFile;
use App\Files\WholeFile;
use App\Models\ReportCheck;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Storage;
use Throwable;

/** Checks one report that was handed in. */
final class RunCheck implements ShouldQueue
{
    use Queueable;

    private const LOOK_EVERY_SECONDS = 0.3;
    private const FAILED = 'Something went wrong on our side while the report was checked. Try again; if it stays so, tell whoever runs this server (the log has the details).';

    public int $tries = 1;
    public int $timeout = 3600;

    public function __construct(private readonly int $checkId) {}

    public function handle(CheckReport $checkReport): void
    {
        $check = ReportCheck::query()->find($this->checkId);
        if ($check === null || ReportCheck::query()->whereKey($check->id)->where('status', ReportCheck::WAITING)->update(['status' => ReportCheck::CHECKING, 'began_at' => time()]) !== 1) {
            return;
        }
        $last = microtime(true);
        $beat = static function () use ($check, &$last): void {
            if (microtime(true) - $last > self::LOOK_EVERY_SECONDS) {
                $last = microtime(true);
                if (!ReportCheck::query()->whereKey($check->id)->where('status', ReportCheck::CHECKING)->exists()) {
                    throw CannotCheck::isCancelled();
                }
            }
        };
        $came = null;
        try {
            $file = StoredFile::of($check->path);
            $given = ReadRecord::of($file->path);
            $apart = $check->rows_path === null ? null : StoredFile::of($check->rows_path);
            $rows = $apart?->path;
            if ($rows === null && $given->rows !== null) {
                $rows = $came = WholeFile::scratch();
                WholeFile::put($came, $given->rows);
            }
            $result = $checkReport->of($given, $rows, $check->rows_name ?? 'rows.csv', static function () use ($beat): void {
                $beat();
            });
            self::end($check, ['status' => ReportCheck::DONE, 'result' => json_encode($result, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION)]);
        } catch (CannotCheck $problem) {
            self::end($check, ['status' => ReportCheck::FAILED, 'error' => $problem->getMessage()]);
        } catch (Throwable $thrown) {
            self::end($check, ['status' => ReportCheck::FAILED, 'error' => self::FAILED]);
            throw $thrown;
        } finally {
            if ($came !== null) {
                unlink($came);
            }
            // What was handed in is not kept.
            Storage::delete($check->rows_path === null ? $check->path : [$check->path, $check->rows_path]);
        }
    }

    /** @param array<string, mixed> $values */
    private static function end(ReportCheck $check, array $values): void
    {
        ReportCheck::query()->whereKey($check->id)->where('status', ReportCheck::CHECKING)->update($values);
    }
}
