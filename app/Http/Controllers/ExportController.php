<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Export\ExportDataset;
use App\Http\Requests\ExportRequest;
use App\Models\Dataset;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class ExportController
{
    public function show(Dataset $dataset, ExportRequest $request, ExportDataset $exportDataset): StreamedResponse
    {
        $format = $request->exportFormat();
        // What cannot be taken out is refused before anything is sent.
        $table = $exportDataset->table($dataset, $request->question());
        $out = fopen('php://temp/maxmemory:' . (8 << 20), 'w+');
        assert($out !== false);
        $format->writer()->write($table, $out);
        rewind($out);

        return response()->streamDownload(static function () use ($out): void {
            fpassthru($out);
            fclose($out);
        }, (Str::slug($dataset->title) === '' ? 'rows' : Str::slug($dataset->title)) . '.' . $format->extension(), ['Content-Type' => $format->mediaType()]);
    }
}
