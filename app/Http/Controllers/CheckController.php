<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\ReportCheck;
use App\Models\User;
use App\Report\Checks\StartCheck;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;

/** Reports that are handed in to be checked. */
final class CheckController
{
    public function store(Request $request, StartCheck $start, #[CurrentUser] User $user): JsonResponse
    {
        $most = config()->integer('intake.max_upload_bytes') >> 10;
        $request->validate(['report' => ['required', 'file', "max:{$most}"], 'rows' => ['nullable', 'file', "max:{$most}"]], [
            'report' => 'Hand in a report: the PDF, the page, one of the zips, or the record.',
            'rows' => 'The rows are a file that can be read as a table.',
        ]);
        $rows = $request->file('rows');
        $report = $request->file('report');
        assert($report instanceof UploadedFile);

        return new JsonResponse(self::told($start->of($user, $report, $rows instanceof UploadedFile ? $rows : null)), 202);
    }

    public function show(ReportCheck $reportCheck): JsonResponse
    {
        return new JsonResponse(self::told($reportCheck));
    }

    public function cancel(ReportCheck $reportCheck): Response
    {
        ReportCheck::query()->whereKey($reportCheck->id)->whereIn('status', [ReportCheck::WAITING, ReportCheck::CHECKING])->update(['status' => ReportCheck::CANCELLED]);

        return new Response(status: 204);
    }

    /** @return array<string, mixed> */
    private static function told(ReportCheck $check): array
    {
        return ['id' => $check->id, 'status' => $check->status, 'name' => $check->name, 'error' => $check->error, 'seconds' => max(0, time() - $check->asked_at), 'result' => $check->result];
    }
}
