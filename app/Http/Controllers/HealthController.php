<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Operator\Health;
use Illuminate\Http\JsonResponse;

/** For whatever watches the server: 200, or 503 with what is wrong. It says nothing of anybody. */
final class HealthController
{
    public function show(): JsonResponse
    {
        $troubles = Health::troubles();

        return new JsonResponse(['up' => $troubles === [], 'troubles' => $troubles], $troubles === [] ? 200 : 503, ['Cache-Control' => 'no-store']);
    }
}
