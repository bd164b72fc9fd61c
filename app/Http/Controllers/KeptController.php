<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\DrawPicture;
use App\Http\Requests\KeepPictureRequest;
use App\Http\Requests\KeepRequest;
use App\Http\Requests\KeptWordsRequest;
use App\Http\Resources\KeptItemResource;
use App\Models\Dataset;
use App\Models\KeptItem;
use App\Store\KeepItems;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What is held for the report of a dataset. */
final class KeptController
{
    public function index(Dataset $dataset): JsonResponse
    {
        return new JsonResponse(KeptItemResource::collection($dataset->keptItems()->get()));
    }

    public function store(Dataset $dataset, KeepRequest $request, KeepItems $keep): JsonResponse
    {
        /** @var array<string, mixed> $item */
        $item = $request->validated();

        return new JsonResponse(new KeptItemResource($keep->keep($dataset, [...$item, 'kind' => 'table'])), 201);
    }

    /** A picture is drawn here, of the data as they are now. */
    public function draw(Dataset $dataset, KeepPictureRequest $request, DrawPicture $draw, KeepItems $keep): JsonResponse
    {
        $item = [...$request->item(), 'kind' => 'picture', 'content' => $draw->svg($dataset, $request), 'revision' => $dataset->revision];

        return new JsonResponse(new KeptItemResource($keep->keep($dataset, $item)), 201);
    }

    public function arrange(Dataset $dataset, Request $request, KeepItems $keep): Response
    {
        /** @var array{ids: list<int>} $order */
        $order = $request->validate(['ids' => ['required', 'array', 'max:1000'], 'ids.*' => ['integer']]);
        $keep->arrange($dataset, $order['ids']);

        return new Response(status: 204);
    }

    public function update(KeptItem $keptItem, KeptWordsRequest $request): KeptItemResource
    {
        $keptItem->update($request->words());

        return new KeptItemResource($keptItem);
    }

    public function destroy(KeptItem $keptItem): Response
    {
        $keptItem->delete();

        return new Response(status: 204);
    }
}
