<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\File;
use Symfony\Component\Yaml\Yaml;

/** The contract of the API, for anybody: as it is written, and as JSON for the page that shows it. */
final class ContractController
{
    private const FILE = 'api/openapi.yaml';

    public function yaml(): Response
    {
        return new Response((string) file_get_contents(base_path(self::FILE)), 200, ['Content-Type' => 'application/yaml']);
    }

    /** Reading it takes a third of a second: what it came to is kept beside the other things made of the program. */
    public function json(): JsonResponse
    {
        $written = base_path(self::FILE);
        $kept = storage_path('framework/contract-' . hash_file('xxh3', $written) . '.json');
        if (!is_file($kept)) {
            File::replace($kept, json_encode(Yaml::parseFile($written), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
        }

        return JsonResponse::fromJsonString((string) file_get_contents($kept));
    }
}
