<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use Illuminate\Http\Request;

/** @property User $resource */
final class AccountResource extends PlainResource
{
    /** @return array{name: string, email: string, numbers: array{decimal: string, thousands: string, minus: string, days: string}} */
    public function toArray(Request $request): array
    {
        return ['name' => $this->resource->name, 'email' => $this->resource->email, 'numbers' => [...$this->resource->marks()->toWords(), 'week' => $this->resource->firstDay()]];
    }
}
