<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Operator\CountedRequests;
use App\Operator\Metrics;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** For whatever collects numbers of servers: not there unless a secret for it is set, and for nobody without that. */
final class MetricsController
{
    public function show(Request $request): Response
    {
        $secret = config()->string('operator.metrics');
        abort_if($secret === '', 404);
        if (!hash_equals(hash('sha256', $secret), hash('sha256', (string) $request->bearerToken()))) {
            return new Response("Send the secret of METRICS_SECRET: Authorization: Bearer …\n", 401, ['Content-Type' => 'text/plain', 'WWW-Authenticate' => 'Bearer']);
        }

        return new Response(Metrics::text(new CountedRequests(config()->string('operator.access_log'), storage_path('framework/requests.json'))), 200, ['Content-Type' => Metrics::TYPE, 'Cache-Control' => 'no-store']);
    }
}
