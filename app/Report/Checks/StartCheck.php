<?php

declare(strict_types=1);

namespace App\Report\Checks;

use App\Files\NoRoom;
use App\Files\StoredFile;
use App\Models\ReportCheck;
use App\Models\User;
use Illuminate\Support\Str;
use SplFileInfo;
use Symfony\Component\HttpFoundation\File\UploadedFile;

/** Keeps a report and the rows that were handed in until they are checked, in the queue. */
final class StartCheck
{
    /** So many an account may have under way. */
    private const AT_ONCE = 3;

    /** @throws CannotCheck|NoRoom */
    public function of(User $user, UploadedFile $report, ?UploadedFile $rows): ReportCheck
    {
        if (ReportCheck::query()->where('user_id', $user->id)->whereIn('status', [ReportCheck::WAITING, ReportCheck::CHECKING])->where('asked_at', '>', time() - 3600)->count() >= self::AT_ONCE) {
            throw CannotCheck::areTooMany();
        }
        $check = ReportCheck::query()->create([
            'user_id' => $user->id,
            'status' => ReportCheck::WAITING,
            'name' => mb_substr($report->getClientOriginalName(), 0, 200),
            'path' => self::kept($report),
            'rows_path' => $rows === null ? null : self::kept($rows),
            'rows_name' => $rows === null ? null : mb_substr($rows->getClientOriginalName(), 0, 200),
            'asked_at' => time(),
        ]);
        RunCheck::dispatch($check->id);

        return $check->refresh();
    }

    private static function kept(SplFileInfo $file): string
    {
        $path = 'checks/' . Str::random(40);
        StoredFile::take($path, $file->getPathname());

        return $path;
    }
}
