<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Symfony\Component\HttpFoundation\Response;

/**
 * An answer whose parts are all there: none is left out under a condition, so thousands of numbers need not be looked through for such
 * parts, and nothing is wrapped around them, so the maker of views and redirects is not needed for it.
 */
abstract class PlainResource extends JsonResource
{
    /**
     * @param array<mixed> $data
     *
     * @return array<mixed>
     */
    protected function filter($data): array
    {
        return $data;
    }

    /** @param Request $request */
    public function toResponse($request): JsonResponse
    {
        return new JsonResponse($this->resolve($request), $this->isNew() ? Response::HTTP_CREATED : Response::HTTP_OK);
    }

    private function isNew(): bool
    {
        return $this->resource instanceof Model && $this->resource->wasRecentlyCreated;
    }
}
