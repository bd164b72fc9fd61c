<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\NewUploadRequest;
use App\Http\Requests\PartRequest;
use App\Http\Resources\UploadResource;
use App\Imports\ReceiveParts;
use App\Models\Upload;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;

/** Files in parts, by tus 1.0.0 with its extensions creation, termination and checksum. */
final class UploadController
{
    private const VERSION = ['Tus-Resumable' => '1.0.0'];

    /** Those that have not come whole, so that they can be gone on with. */
    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        return UploadResource::collection(Upload::query()->where('user_id', $user->id)->orderBy('id')->get());
    }

    public function store(NewUploadRequest $request, ReceiveParts $parts, #[CurrentUser] User $user): JsonResponse
    {
        $upload = $parts->begin($user, $request->name(), $request->bytes());

        return new JsonResponse((new UploadResource($upload))->resolve($request), 201, [...self::headers($upload), 'Location' => "/api/uploads/{$upload->id}"]);
    }

    public function show(Upload $upload): JsonResponse
    {
        return new JsonResponse((new UploadResource($upload))->resolve(), 200, [...self::headers($upload), 'Cache-Control' => 'no-store']);
    }

    public function append(PartRequest $request, Upload $upload, ReceiveParts $parts): Response
    {
        return new Response(status: 204, headers: self::headers($parts->take($upload, $request->offset(), $request->part(), $request->sum())));
    }

    public function destroy(Upload $upload, ReceiveParts $parts): Response
    {
        $parts->drop($upload);

        return new Response(status: 204, headers: self::VERSION);
    }

    /** @return array<string, string> */
    private static function headers(Upload $upload): array
    {
        return [...self::VERSION, 'Upload-Offset' => (string) $upload->bytes_here, 'Upload-Length' => (string) $upload->bytes_total];
    }
}
