<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\DecideReadingRequest;
use App\Http\Requests\StartImportRequest;
use App\Http\Resources\ImportResource;
use App\Http\Resources\TableLookResource;
use App\Imports\CancelImport;
use App\Imports\DecideReading;
use App\Imports\RereadDataset;
use App\Imports\StartImport;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ImportController
{
    /** Those that are still open, so that a reloaded page finds them again. */
    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        $open = Import::query()->with('dataset')->where('user_id', $user->id);
        $open->whereIn('status', ImportStatus::open())->orderBy('id');

        return ImportResource::collection($open->get());
    }

    public function store(StartImportRequest $request, StartImport $startImport, #[CurrentUser] User $user): JsonResponse
    {
        $import = $request->keep($startImport, $user);

        return (new ImportResource($import->load('dataset')))->response()->setStatusCode(202);
    }

    /** The rows of a dataset once more, to be stacked or made one block. */
    public function reread(Dataset $dataset, RereadDataset $rereadDataset, #[CurrentUser] User $user): JsonResponse
    {
        return (new ImportResource($rereadDataset->reread($dataset, $user)->load('dataset')))->response()->setStatusCode(202);
    }

    public function show(Import $import): ImportResource
    {
        return new ImportResource($import->load('dataset'));
    }

    public function look(Import $import, DecideReading $decideReading): TableLookResource
    {
        return new TableLookResource($decideReading->look($import));
    }

    public function decide(Import $import, DecideReadingRequest $request, DecideReading $decideReading): TableLookResource
    {
        return new TableLookResource($decideReading->decide($import, $request->changes()));
    }

    public function begin(Import $import, StartImport $startImport): ImportResource
    {
        return new ImportResource($startImport->begin($import)->load('dataset'));
    }

    public function cancel(Import $import, CancelImport $cancelImport): ImportResource
    {
        return new ImportResource($cancelImport->cancel($import)->load('dataset'));
    }
}
