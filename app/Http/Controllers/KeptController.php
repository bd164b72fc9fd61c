<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drawing\ClassesScene;
use App\Drawing\Svg;
use App\Http\BasisInWords;
use App\Http\DrawScenes;
use App\Http\RenewKept;
use App\Http\Requests\KeepPictureRequest;
use App\Http\Requests\KeepRequest;
use App\Http\Requests\KeptWordsRequest;
use App\Http\Resources\KeptItemResource;
use App\Models\Dataset;
use App\Models\KeptItem;
use App\Models\User;
use App\Store\KeepItems;
use App\Store\KeptReading;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What is held for the report of a dataset. */
final class KeptController
{
    public function index(Dataset $dataset): JsonResponse
    {
        return JsonResponse::fromJsonString(KeptItemResource::listed($dataset->keptItems()->get()));
    }

    public function store(Dataset $dataset, KeepRequest $request, BasisInWords $basis, KeepItems $keep): JsonResponse
    {
        $item = [...$request->item(), 'basis' => $basis->of($dataset, $request, $request->isOfClasses()), 'asked' => $request->asked($dataset)];

        return new JsonResponse(new KeptItemResource($keep->keep($dataset, $item)), 201);
    }

    /** A picture is drawn here, of the data as they are now. */
    public function draw(Dataset $dataset, string $kind, KeepPictureRequest $request, DrawScenes $draw, BasisInWords $basis, KeepItems $keep): JsonResponse
    {
        $item = [
            ...$request->item(),
            'kind' => 'picture',
            'place' => $request->compareQuestion($dataset) === null ? 'profile' : 'compare',
            'content' => Svg::of($draw->one($kind, $dataset, $request)),
            'basis' => $basis->of($dataset, $request, $kind === ClassesScene::kind()),
            'revision' => $dataset->revision,
            'asked' => ['picture' => $kind, 'words' => $request->query->all()],
        ];

        return new JsonResponse(new KeptItemResource($keep->keep($dataset, $item)), 201);
    }

    public function arrange(Dataset $dataset, Request $request, KeepItems $keep): Response
    {
        /** @var array{ids: array<mixed>} $order */
        $order = $request->validate(['ids' => ['required', 'array', 'max:1000'], 'ids.*' => ['integer']]);
        // A rule for whole numbers passes true and false.
        $keep->arrange($dataset, array_map(static fn(mixed $id): int => is_numeric($id) ? (int) $id : 0, array_values($order['ids'])));

        return new Response(status: 204);
    }

    public function update(KeptItem $keptItem, KeptWordsRequest $request): KeptItemResource
    {
        $words = $request->words();
        $sentence = $request->sentence();
        if ($sentence !== null && $keptItem->kind === 'reading') {
            $words['content'] = KeptReading::ofText($keptItem->content)?->withSentence($sentence)->toText() ?? $keptItem->content;
        }
        $keptItem->update($words);

        return new KeptItemResource($keptItem);
    }

    /** Of the data as they are now. */
    public function renew(KeptItem $keptItem, RenewKept $renew, #[CurrentUser] User $user): KeptItemResource
    {
        $renew->renew($keptItem, Dataset::query()->with('variables')->findOrFail($keptItem->dataset_id), $user);

        return new KeptItemResource($keptItem);
    }

    public function destroy(KeptItem $keptItem, KeepItems $keep): Response
    {
        $keep->remove($keptItem);

        return new Response(status: 204);
    }
}
