<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Export\ExportDataset;
use App\Export\ExportFormat;
use App\Http\Requests\ExportRequest;
use App\Models\Dataset;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class ExportController
{
    private const SECONDS = 600;

    public function show(Dataset $dataset, ExportRequest $request, ExportDataset $exportDataset): StreamedResponse
    {
        $format = $request->exportFormat();
        // What cannot be taken out is refused before anything is sent.
        $table = $exportDataset->table($dataset, $request->question());
        // Ten million rows take minutes; who waits sees how far it is and may stop it.
        set_time_limit(self::SECONDS);
        $out = fopen('php://temp/maxmemory:' . (8 << 20), 'w+');
        assert($out !== false);
        $format->writer($request->marks())->write($table, $out);
        rewind($out);

        return response()->streamDownload(static function () use ($out): void {
            fpassthru($out);
            fclose($out);
        }, (Str::slug($dataset->title) === '' ? 'rows' : Str::slug($dataset->title)) . ($format === ExportFormat::Csv && $request->marks()->decimal === 'comma' ? '-decimal-comma' : '') . '.' . $format->extension(), ['Content-Type' => $format->mediaType()]);
    }
}
