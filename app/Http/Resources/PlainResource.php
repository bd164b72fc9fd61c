<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Resources\Json\JsonResource;

/** An answer whose parts are all there: none is left out under a condition, so thousands of numbers need not be looked through for such parts. */
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
}
